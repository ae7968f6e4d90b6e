"use client";

import { counted, parseDecimal, printNumber, printTyped } from "@/core/base/units/number";
import type { Food } from "@/core/log/kinds/foods";
import type { Recipe } from "@/core/log/kinds/recipes";
import { type Change, put } from "@/core/log/records";
import { perPortion } from "@/core/nutrition/energy";
import { sumTyped } from "@/core/entry/sums";
import { gramsOfLine, type IngredientLine, lookedFor } from "@/core/nutrition/ingredientMatch";
import type { FoodSearch, FoundFood } from "@/tables/foodSearch";
import { FormEnd } from "@/ui/inputs/FormEnd";
import { Field, Row, RowButton, wide } from "@/ui/inputs/Field";
import { forgetTyping, keepTyping, keptTyping } from "@/ui/inputs/keptTyping";
import { lateForm } from "@/ui/inputs/lateForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { Finder } from "@/ui/kit/Finder";
import { lateCode } from "@/ui/kit/late";
import { RecordTable } from "@/ui/kit/RecordTable";
import { Tick } from "@/ui/kit/Tick";
import { useLog } from "@/ui/log/LogContext";
import { useHousehold } from "@/ui/log/useFigure";
import { takenPhoto } from "@/ui/photo/takenPhoto";
import { usePrinter } from "@/ui/usePrinter";
import { Button, Input } from "antd";
import { useEffect, useMemo, useState } from "react";
import { v7 as newId } from "uuid";
import type { ReadRecipe } from "@/formats/recipePage/recipes";
import styles from "./recipes.module.css";
import { isOfSite, pictureAt } from "./recipeSite";

const pageRecipeForm = lateForm(() => import("@/core/nutrition/forms").then((forms) => forms.pageRecipeForm));
const search = lateCode(() => import("@/tables/foodSearch").then(({ FoodSearch: Finds }) => Finds));

const leftOut = "left out";
/** So many foods are offered for a line. */
const offered = 8;

/** Water is nothing that counts. */
const isWater = ({ food }: IngredientLine) => /^(?:(?:cold|hot|warm|boiling|tap) )?water$/i.test(food.trim());

/** What the trainee has settled of a line. */
interface Settled {
  /** The food; `left out`; or null where it is still the first that was found. */
  food: string | null;
  /** Grams as they are typed; null where they are still those that were read. */
  grams: string | null;
  isRight: boolean;
}

interface Line {
  index: number;
  line: IngredientLine;
  settled: Settled;
  /** The foods that it may mean, the nearest first. */
  found: readonly FoundFood[];
  food: Food | null;
  isLeftOut: boolean;
  grams: number | null;
  typed: string;
  said: string;
}

/** A recipe that was read of a page: each line is confirmed, with its food and its grams, or left out. */
export function PageRecipeForm({ recipe, close, back }: { recipe: ReadRecipe; close: () => void; back: () => void }) {
  const { commit, person, units, today } = useLog();
  const printer = usePrinter();
  const library = useHousehold("library");
  useEffect(() => search.fetch(), []);
  const Search = search.useCode();
  const own = useMemo(() => library?.foods ?? [], [library]);
  const finder = useMemo(() => (Search === null ? null : new Search(own)), [Search, own]);
  // What was settled outlives a reload, until it is saved or left: the same page read again finds it.
  const keep = `lines of ${recipe.name}`;
  const untouched = recipe.lines.map((line): Settled => ({
    food: isWater(line) ? leftOut : null,
    grams: null,
    isRight: false,
  }));
  const [settled, setSettled] = useState<readonly Settled[]>(
    () => (keptTyping(keep, { lines: untouched })[0]?.[1] as Settled[] | undefined) ?? untouched,
  );
  const [withPicture, setWithPicture] = useState(true);
  const [why, setWhy] = useState("");
  const taken = new Set([...(library?.recipes ?? []), ...own].map(({ name }) => name.toLowerCase()));
  const { control, handleSubmit, drop } = useTypedForm(
    pageRecipeForm,
    { units, today, taken },
    `recipe of a page ${recipe.name}`,
    {
      defaultValues: {
        name: recipe.name,
        portions: recipe.portions === null ? "" : printTyped(recipe.portions, 2),
        minutes: recipe.minutes === null ? "" : printTyped(recipe.minutes, 1),
      },
    },
  );
  // Found once: what is typed in one line does not search for all of them again.
  const found = useMemo(
    () => recipe.lines.map((line) => (finder === null ? [] : nearest(line, finder))),
    [recipe, finder],
  );
  const lines = recipe.lines.map((line, index) => lineOf(line, index, settled[index]!, found[index]!, finder));
  const settle = (index: number, change: Partial<Settled>) => {
    const next = settled.map((one, at) => (at === index ? { ...one, ...change } : one));
    setSettled(next);
    keepTyping(keep, "lines", { was: untouched, typed: next });
  };
  const kept = lines.filter(({ isLeftOut }) => !isLeftOut);
  const picture = recipe.picture !== null && isOfSite(recipe.picture) ? recipe.picture : null;
  const save = handleSubmit(async ({ name, portions, minutes }) => {
    const open = kept.filter(({ settled: { isRight } }) => !isRight);
    if (open.length > 0)
      return setWhy(
        `${counted(open.length, "line")} not confirmed yet: ${open.map(({ line }) => line.text).join(" · ")}`,
      );
    if (kept.length === 0) return setWhy("Every line is left out: a recipe has one ingredient at least.");
    const photo = withPicture && picture !== null ? await pictureOf(picture, person.id, today) : null;
    const change: Change = [];
    for (const { food } of kept)
      if (!own.some(({ id }) => id === food!.id) && !change.some((step) => "put" in step && step.put.id === food!.id))
        change.push(put("foods", food!));
    if (photo !== null) change.push(put("photos", photo.photo));
    const next: Recipe = {
      id: newId(),
      name,
      portions,
      minutes,
      ingredients: kept.map(({ food, grams, line }) => ({ foodId: food!.id, grams: grams!, text: line.text })),
      steps: recipe.steps.length === 0 ? null : recipe.steps.join("\n"),
      tags: recipe.tags,
      source: recipe.source,
      ...(photo === null ? {} : { photoId: photo.photo.id }),
    };
    change.push(put("recipes", next));
    if (await commit(change, `Recipe ${name}`, photo === null ? [] : [photo.stored])) {
      drop();
      forgetTyping(keep);
      close();
    }
  });
  const foods = new Map(kept.flatMap(({ food }) => (food === null ? [] : [[food.id, food]])));
  const known = kept.filter(({ food, grams }) => food !== null && grams !== null);
  const sum = perPortion(
    {
      id: "",
      name: "",
      portions: recipe.portions ?? 1,
      ingredients: known.map(({ food, grams }) => ({ foodId: food!.id, grams: grams! })),
    },
    foods,
  );
  return (
    <form
      onSubmit={(event) => void save(event)}
      noValidate
      className="noprint above"
      aria-label={`Bring in ${recipe.name}`}
    >
      <Row>
        <Field control={control} name="name" label="Name" className={wide} autoFocus />
        <Field control={control} name="portions" label="Portions" inputMode="decimal" />
        <Field control={control} name="minutes" label="Minutes" inputMode="numeric" />
      </Row>
      <RecordTable<Line>
        label="Lines of ingredients"
        rows={lines}
        keyOf={({ index }) => index}
        tone={({ isLeftOut }) => (isLeftOut ? "quiet" : undefined)}
        columns={[
          { head: "As it is written", folded: "name", cell: ({ line }) => line.text },
          {
            head: "Food",
            bare: true,
            cell: (line) => (
              <FoodOfLine
                line={line}
                finder={finder}
                onFood={(food) => settle(line.index, { food, isRight: food === leftOut })}
              />
            ),
          },
          {
            head: "Grams",
            bare: true,
            cell: ({ index, isLeftOut, typed, line, grams, said }) =>
              !isLeftOut && (
                <>
                  <Input
                    aria-label={`Grams of ${line.text}`}
                    className={styles.grams}
                    value={typed}
                    inputMode="decimal"
                    autoComplete="off"
                    suffix="g"
                    status={grams === null ? "warning" : undefined}
                    onChange={(event) => settle(index, { grams: event.target.value, isRight: false })}
                  />
                  {said !== "" && <span className="quiet small">{said}</span>}
                </>
              ),
          },
          {
            head: "Right",
            bare: true,
            cell: ({ index, line, food, grams, isLeftOut, settled: { isRight } }) =>
              !isLeftOut && (
                <Tick
                  label={`${line.text} is right`}
                  checked={isRight}
                  disabled={food === null || grams === null}
                  // What was ticked is that food, whatever is found first later.
                  onChange={(isRight) => settle(index, { isRight, food: food!.id })}
                />
              ),
          },
        ]}
      />
      {finder === null ? (
        <p className="quiet small">The foods are being fetched.</p>
      ) : (
        <p className="quiet small">
          {known.length < kept.length
            ? `Without ${counted(kept.length - known.length, "line")} that have no food or no amount yet: `
            : ""}
          {printer.energy(sum.kcal)} and {printNumber(sum.protein, 0)} g of protein a portion.
        </p>
      )}
      {recipe.steps.length > 0 && (
        <details>
          <summary>{counted(recipe.steps.length, "step")}</summary>
          <ol>
            {recipe.steps.map((step, index) => (
              <li key={index}>{step}</li>
            ))}
          </ol>
        </details>
      )}
      {picture !== null && (
        <Tick checked={withPicture} onChange={setWithPicture}>
          with its picture
        </Tick>
      )}
      {recipe.picture !== null && picture === null && (
        <p className="quiet small">Its picture lies on another site, which is not asked.</p>
      )}
      {why !== "" && (
        <p role="alert" className="warn">
          {why}
        </p>
      )}
      <Row>
        <FormEnd
          save="Save recipe"
          drop={() => {
            drop();
            forgetTyping(keep);
          }}
          onClose={close}
        >
          <RowButton>
            <Button onClick={back}>Another page</Button>
          </RowButton>
        </FormEnd>
      </Row>
    </form>
  );
}

/** A line with what was found for it, under what the trainee has settled. */
function lineOf(
  line: IngredientLine,
  index: number,
  settled: Settled,
  found: readonly FoundFood[],
  finder: FoodSearch | null,
): Line {
  const isLeftOut = settled.food === leftOut;
  const chosen = settled.food === null ? found[0] : finder?.get(settled.food);
  const food = chosen?.food ?? null;
  const read = food === null ? null : gramsOfLine(line, food);
  const typed = settled.grams ?? (read !== null && "grams" in read ? printTyped(read.grams, 1) : "");
  const grams = parseDecimal(sumTyped(typed) ?? typed) ?? 0;
  return {
    index,
    line,
    settled,
    found,
    food,
    isLeftOut,
    typed,
    grams: grams > 0 && grams <= 100_000 ? grams : null,
    said: settled.grams !== null || read === null ? "" : "why" in read ? read.why : read.by,
  };
}

/** Foods that a line may mean: by all its words, then by fewer; the trainee's own before those of the table. */
function nearest({ food }: IngredientLine, finder: FoodSearch): FoundFood[] {
  for (const words of lookedFor(food)) {
    const found = finder.find(words, offered);
    if (found.length > 0) return found.toSorted((a, b) => Number(b.of === "own") - Number(a.of === "own"));
  }
  return [];
}

function FoodOfLine({
  line: { line, found: near, food, isLeftOut },
  finder,
  onFood,
}: {
  line: Line;
  finder: FoodSearch | null;
  onFood: (id: string) => void;
}) {
  const [typed, setTyped] = useState("");
  const found = finder === null || typed.trim() === "" ? near : finder.find(typed, offered);
  const options = found.map(({ id, name, of }) => ({
    value: id,
    label: name,
    detail: of === "table" ? "of the table" : "",
  }));
  if (food !== null && !options.some(({ value }) => value === food.id))
    options.push({ value: food.id, label: food.name, detail: "" });
  options.push({ value: leftOut, label: "Leave it out", detail: "" });
  return (
    <Finder
      label={`Food of ${line.text}`}
      placeholder="Which food?"
      value={isLeftOut ? leftOut : (food?.id ?? null)}
      typed={typed}
      onType={setTyped}
      options={options}
      none="No food is called that. Make it under Foods first."
      onChange={(id) => {
        setTyped("");
        onFood(id);
      }}
    />
  );
}

async function pictureOf(address: string, personId: string, date: string) {
  const bytes = await pictureAt(address);
  if (bytes === null) return null;
  // A picture that is none is no reason not to have the recipe.
  return takenPhoto(bytes, personId, date).catch(() => null);
}
