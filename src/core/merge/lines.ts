import { printDate } from "../calendar/print";
import { dayOf } from "../calendar/day";
import { isIdList, isPlain, type Step } from "../log/patch";
import type { Log } from "../log/log";
import type { AnyRecord, Item, RecordOf, Session } from "../log/records";
import { printPlain } from "../units/number";
import { Printer, unitsOf } from "../units/printer";
import type { Difference } from "./merge";

/** One difference, as it is read before it is written: what the record is called and each field's value on either side, in its person's units. */
export interface MergeLine extends Pick<Difference, "kind" | "what" | "proposed" | "written"> {
  date: string | null;
  title: string;
  /** `before` is ours and `after` theirs. */
  fields: { name: string; before: string; after: string }[];
}

/** Differences in words. */
export function mergeLines(ours: Log, theirs: Log, differences: readonly Difference[]): MergeLine[] {
  return differences.map((difference): MergeLine => {
    const { kind, what, record, fields, proposed, written } = difference;
    const words = new Words(ours, theirs, difference);
    return {
      kind,
      what,
      proposed,
      written,
      title: words.title(),
      date: dateIn(record),
      fields: fields.map(({ path, before, after }) => ({
        name: words.fieldName(path),
        before: words.value(path, before),
        after: words.value(path, after),
      })),
    };
  });
}

function dateIn(record: AnyRecord): string | null {
  const { date, startDate, from } = record as { date?: string; startDate?: string; from?: string };
  return date ?? startDate ?? from ?? null;
}

type Named = "exercises" | "foods" | "measures" | "recipes" | "people";
/** Fields that name another record. */
const namedBy: Record<string, Named> = {
  exerciseId: "exercises",
  foodId: "foods",
  measureId: "measures",
  recipeId: "recipes",
  personId: "people",
};
/** Fields whose name is not what they are called. */
const fieldWords: Record<string, string> = {
  kg: "load",
  reps: "repetitions",
  repsTo: "repetitions at most",
  rpe: "RPE",
  seconds: "time",
  restSeconds: "rest",
  ml: "amount",
  failed: "one more missed",
  kcal: "energy",
  bodyShare: "share of body weight",
  per100g: "per 100 g",
  rateKgPerWeek: "rate",
  by: "until",
  primary: "first of the day",
  test: "meet or test",
};
const massFields = new Set(["kg", "startKg", "targetKg", "barKg", "incrementKg", "milestonesKg"]);
const gramFields = new Set(["grams", "protein", "fat", "carbohydrate", "fibre", "sugars", "polyols", "alcohol"]);
/** A value longer than this is cut. */
const lettersAtMost = 80;

/** One record's words. */
class Words {
  private readonly printer: Printer;

  constructor(
    private readonly ours: Log,
    private readonly theirs: Log,
    private readonly difference: Difference,
  ) {
    const { record } = difference;
    const owner = this.find("people", (record as { personId?: string }).personId ?? "");
    this.printer = new Printer(unitsOf((owner ?? [...ours.records.people.values()][0])?.units));
  }

  /** What the record is called behind its kind. */
  title(): string {
    const { kind, record, fields } = this.difference;
    // What differs says what it is.
    if (fields.length > 0 && (kind === "weighIns" || kind === "water" || kind === "dayNotes")) return "";
    switch (kind) {
      case "sessions": {
        const session = record as Session;
        return session.title || session.kind;
      }
      case "meals": {
        const meal = record as RecordOf<"meals">;
        return (
          meal.name || this.nameOf("foods", meal.foodId) || this.nameOf("recipes", meal.recipeId) || meal.meal || ""
        );
      }
      case "readings":
        return this.nameOf("measures", (record as RecordOf<"readings">).measureId);
      case "maxima":
        return this.nameOf("exercises", (record as RecordOf<"maxima">).exerciseId);
      case "weighIns":
        return this.printer.load((record as RecordOf<"weighIns">).kg);
      case "water":
        return `${(record as RecordOf<"water">).ml} ml`;
      case "dayNotes":
        return (record as RecordOf<"dayNotes">).text ?? "";
      case "goals": {
        const { targetKg, of } = record as RecordOf<"goals">;
        return targetKg == null ? this.nameOf("measures", of) : this.printer.load(targetKg);
      }
      default:
        return "name" in record ? String(record.name) : "";
    }
  }

  /** `Back squat › set 2 › done › load` */
  fieldName(path: readonly Step[]): string {
    return path
      .flatMap((step, index) => {
        if (typeof step === "object")
          return "order" in step ? ["order"] : [this.elementName(path[index - 1], step.element)];
        return typeof path[index + 1] === "object" ? [] : [this.word(step)];
      })
      .join(" › ");
  }

  /** A field's value as it is read, `nothing` where there is none. */
  value(path: readonly Step[], value: unknown): string {
    const text = this.print([...path].reverse().find((step) => typeof step === "string") ?? "", value);
    return text.length > lettersAtMost ? `${text.slice(0, lettersAtMost - 1)}…` : text;
  }

  private elementName(list: Step | undefined, id: string): string {
    const sessions = [this.theirs, this.ours].flatMap(
      ({ records }) => records.sessions.get(this.difference.id) ?? (this.difference.record as Session),
    );
    const items = sessions.flatMap((session): Item[] => session.items ?? []);
    if (list === "items") return this.nameOf("exercises", items.find((item) => item.id === id)?.exerciseId) || id;
    const place = items.map(({ sets }) => sets.findIndex((set) => set.id === id)).find((index) => index >= 0);
    return place === undefined ? id : `set ${place + 1}`;
  }

  private word(key: string): string {
    if (key === "kg" && this.difference.kind === "weighIns") return "weight";
    return Object.hasOwn(fieldWords, key)
      ? fieldWords[key]!
      : key.replace(/(Kg|Cm|Id|Ids)$/, "").replaceAll(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);
  }

  private print(key: string, value: unknown): string {
    if (value === undefined || value === null || value === "") return "nothing";
    if (typeof value === "number") return this.number(key, value);
    if (typeof value === "boolean") return value ? "yes" : "no";
    if (typeof value === "string")
      return namedBy[key] === undefined
        ? dayOf(value) === null
          ? value
          : printDate(value)
        : this.nameOf(namedBy[key], value);
    if (Array.isArray(value))
      return value.length === 0
        ? "nothing"
        : value.map((one) => this.print(key, one)).join(isIdList(value) || value.some(isPlain) ? "; " : ", ");
    if (!isPlain(value)) return JSON.stringify(value);
    const said = Object.entries(value).filter(([name, one]) => name !== "id" && one != null);
    return said.length === 0
      ? "nothing"
      : said
          .map(([name, one]) =>
            isPlain(one) || Array.isArray(one)
              ? `${this.word(name)}: ${this.print(name, one)}`
              : `${this.word(name)} ${this.print(name, one)}`,
          )
          .join(", ");
  }

  private number(key: string, value: number): string {
    if (massFields.has(key)) return this.printer.load(value);
    if (key === "rateKgPerWeek") return this.printer.rate(value);
    if (gramFields.has(key)) return `${printPlain(value, 1)} g`;
    switch (key) {
      case "metres":
        return this.printer.distanceOf((this.difference.record as Partial<Session>).kind ?? "", value);
      case "seconds":
      case "restSeconds":
        return this.printer.duration(value);
      case "kcal":
        return this.printer.energy(value);
      case "percent":
        return `${printPlain(value * 100, 1)} %`;
      case "minutes":
        return `${printPlain(value, 1)} min`;
      case "heightCm":
        return `${printPlain(value, 1)} cm`;
      case "ml":
        return `${printPlain(value, 0)} ml`;
      default:
        return printPlain(value, 4);
    }
  }

  private nameOf(kind: Named, id: string | null | undefined): string {
    return id ? (this.find(kind, id)?.name ?? id) : "";
  }

  private find<K extends Named>(kind: K, id: string): RecordOf<K> | undefined {
    return (this.theirs.records[kind].get(id) ?? this.ours.records[kind].get(id)) as RecordOf<K> | undefined;
  }
}
