import { byWord } from "../../base/byWord";
import { dayOf } from "../../base/calendar/day";
import { printDate } from "../../base/calendar/print";
import { Printer, unitsOf } from "../../base/units/printer";
import { elementName } from "../idLists";
import { kinds } from "../kinds/all";
import type { Wording } from "../kinds/kind";
import type { Session } from "../kinds/sessions";
import type { Log } from "../log";
import { isIdList, isPlain, type Step } from "../patch";
import type { AnyRecord, RecordKind, RecordOf } from "../records";
import { kindNamedBy } from "../references";
import type { Difference } from "./merge";
import { printQuantity } from "./quantities";

/**
 * One difference, as it is read before it is written: what the record is called and each field's value on either side,
 * in its person's units.
 */
export interface MergeLine extends Pick<Difference, "kind" | "what" | "proposed" | "written" | "guessed" | "isUsed"> {
  date: string | null;
  title: string;
  /** `before` is ours and `after` theirs; `both` where what stands says either, and `clash` where both have changed it. */
  fields: { name: string; before: string; after: string; both: boolean; clash: boolean }[];
}

/** Differences in words. */
export function mergeLines(ours: Log, theirs: Log, differences: readonly Difference[]): MergeLine[] {
  return differences.map((difference): MergeLine => {
    const { kind, what, record, fields, proposed, written, guessed, isUsed } = difference;
    const words = new Words(ours, theirs, difference);
    return {
      kind,
      what,
      proposed,
      written,
      guessed,
      ...(isUsed && { isUsed }),
      title: words.title(),
      date: dateIn(kind, record),
      fields: fields.map(({ path, before, after, stands, clash }) => ({
        name: words.fieldName(path),
        before: words.value(path, before),
        after: words.value(path, after),
        both: stands === "both",
        clash,
      })),
    };
  });
}

/** The day to which a record belongs or from which it counts. */
function dateIn(kind: RecordKind, record: AnyRecord): string | null {
  const known = kinds[kind];
  if (known.belongsTo === "household") return null;
  const field = known.belongsTo === "day" ? "date" : known.begins;
  return field === null ? null : ((record as Record<string, string | undefined>)[field] ?? null);
}

/** Fields whose name is not what they are called. */
const fieldWords: Record<string, string> = byWord({
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
});
/** A value longer than this is cut. */
const lettersAtMost = 80;

/** One record's words. */
class Words implements Wording {
  readonly printer: Printer;

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
    if (fields.length > 0 && kinds[kind].changesSayWhich) return "";
    return kinds[kind].title(record as never, this);
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
    const { kind, id: recordId, record } = this.difference;
    for (const log of [this.theirs, this.ours]) {
      const name = elementName(kind, log.records[kind].get(recordId) ?? record, String(list), id, this);
      if (name) return name;
    }
    return id;
  }

  private word(key: string): string {
    if (key === "kg" && this.difference.kind === "weighIns") return "weight";
    return (
      fieldWords[key] ?? key.replace(/(Kg|Cm|Id|Ids)$/, "").replaceAll(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`)
    );
  }

  private print(key: string, value: unknown): string {
    if (value === undefined || value === null || value === "") return "nothing";
    if (typeof value === "number")
      return printQuantity(key, value, this.printer, (this.difference.record as Partial<Session>).kind ?? "");
    if (typeof value === "boolean") return value ? "yes" : "no";
    if (typeof value === "string") {
      const kind = kindNamedBy(key);
      if (kind !== null) return this.nameOf(kind, value);
      return dayOf(value) === null ? value : printDate(value);
    }
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

  nameOf = (kind: RecordKind, id: string | null | undefined): string =>
    id ? ((this.find(kind, id) as { name?: string } | undefined)?.name ?? id) : "";

  private find<K extends RecordKind>(kind: K, id: string): RecordOf<K> | undefined {
    return this.theirs.records[kind].get(id) ?? this.ours.records[kind].get(id);
  }
}
