"use client";

import { counted, printNumber, printTyped } from "@/core/base/units/number";
import type { Food } from "@/core/log/kinds/foods";
import type { Recipe } from "@/core/log/kinds/recipes";
import { perPortion } from "@/core/nutrition/energy";
import { mealNames } from "@/core/nutrition/mealNames";
import { mealOnDays } from "@/core/nutrition/mealOn";
import { shortDate } from "@/ui/dates";
import { FormEnd } from "@/ui/inputs/FormEnd";
import { Choice, Field, Row } from "@/ui/inputs/Field";
import { lateForm } from "@/ui/inputs/lateForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { Actions } from "@/ui/kit/Actions";
import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";
import { Tick } from "@/ui/kit/Tick";
import { useLog } from "@/ui/log/LogContext";
import { useRemove } from "@/ui/log/useRemove";
import { useHousehold } from "@/ui/log/useFigure";
import { usePrinter } from "@/ui/usePrinter";
import view from "@/ui/view.module.css";
import { Button } from "antd";
import dynamic from "next/dynamic";
import { useState } from "react";
import { useWatch } from "react-hook-form";
import { put } from "@/core/log/records";
import { v7 as newId } from "uuid";
import { recipeCounted, useEatenOf, useEdibles } from "../eatenOf";
import { FoodHead } from "../FoodHead";
import { RecipeForm } from "./RecipeForm";

const FromPage = dynamic(() => import("./FromPage").then((code) => code.FromPage), { ssr: false });
const RecipeCard = dynamic(() => import("./RecipeCard").then((code) => code.RecipeCard), { ssr: false });

const eatenForm = lateForm(() => import("@/core/nutrition/forms").then((forms) => forms.recipeEatenForm));

type Open = { id: string; as: "change" | "eat" | "read" };

/** The household's recipes: what a portion holds, changed in one place, put on one day or several. */
export function Recipes() {
  const { commit } = useLog();
  const printer = usePrinter();
  const library = useHousehold("library");
  const removeRecord = useRemove();
  const [withHidden, setWithHidden] = useState(false);
  const [open, setOpen] = useState<Open | "new" | "page" | null>(null);
  if (library === undefined) return null;
  const foods = new Map(library.foods.map((food) => [food.id, food]));
  const shown = library.recipes.filter(({ hidden }) => withHidden || hidden !== true);
  const close = () => setOpen(null);
  const isOpen = (id: string, as: Open["as"]) =>
    open !== null && typeof open === "object" && open.id === id && open.as === as;
  return (
    <>
      <FoodHead>
        <span className="row">
          <Button onClick={() => setOpen("page")}>From a page</Button>
          <Button onClick={() => setOpen("new")}>New recipe</Button>
        </span>
      </FoodHead>
      {open === "new" && <RecipeForm recipe={null} close={close} />}
      {open === "page" && <FromPage close={close} />}
      <section className={view.section}>
        {library.recipes.length === 0 && open === null && (
          <p className="quiet">A recipe is foods with amounts, shared by its portions; it is logged by the portion.</p>
        )}
        {library.recipes.some(({ hidden }) => hidden) && (
          <p>
            <Tick checked={withHidden} onChange={setWithHidden}>
              with those put away
            </Tick>
          </p>
        )}
        <RecordTable<Recipe>
          label="Recipes"
          tone={({ hidden }) => (hidden ? "quiet" : undefined)}
          rows={shown}
          keyOf={({ id }) => id}
          below={(recipe) =>
            isOpen(recipe.id, "change") ? (
              <RecipeForm recipe={recipe} close={close} />
            ) : isOpen(recipe.id, "read") ? (
              <RecipeCard recipe={recipe} close={close} />
            ) : (
              isOpen(recipe.id, "eat") && <OnDays recipe={recipe} close={close} />
            )
          }
          columns={[
            {
              head: "Recipe",
              folded: "name",
              cell: ({ name, portions, cookedGrams, minutes, tags, ingredients, hidden }) => (
                <>
                  <strong>{name}</strong>
                  <span className="quiet small">
                    {" "}
                    {[
                      counted(portions ?? 1, "portion"),
                      cookedGrams == null ? "" : `${printNumber(cookedGrams, 0)} g cooked`,
                      minutes == null ? "" : `${printNumber(minutes, 0)} min`,
                      counted(ingredients.length, "ingredient"),
                      ...(tags ?? []),
                      hidden ? "put away" : "",
                    ]
                      .filter(Boolean)
                      .join(" · ")}
                  </span>
                </>
              ),
            },
            {
              head: `${printer.units.energy} a portion`,
              num: true,
              folded: "beside",
              cell: (recipe) => printer.energyNumber(perPortion(recipe, foods).kcal),
            },
            { head: "Protein, g", num: true, cell: (recipe) => printNumber(perPortion(recipe, foods).protein, 0) },
            { head: "Fat, g", num: true, cell: (recipe) => printNumber(perPortion(recipe, foods).fat, 0) },
            {
              head: "Carbohydrate, g",
              num: true,
              cell: (recipe) => printNumber(perPortion(recipe, foods).carbohydrate, 0),
            },
            {
              head: "Change",
              mute: true,
              num: true,
              cell: (recipe) => (
                <span className="row">
                  <LinkButton
                    aria-label={`Put on days: ${recipe.name}`}
                    onClick={() => setOpen({ id: recipe.id, as: "eat" })}
                  >
                    Put on days
                  </LinkButton>
                  <LinkButton aria-label={`Read ${recipe.name}`} onClick={() => setOpen({ id: recipe.id, as: "read" })}>
                    Read
                  </LinkButton>
                  <Actions
                    label={recipe.name}
                    actions={[
                      { name: "Change", act: () => setOpen({ id: recipe.id, as: "change" }) },
                      {
                        name: recipe.hidden ? "Take it out again" : "Remove",
                        act: () =>
                          void (recipe.hidden
                            ? commit(
                                [put("recipes", { ...recipe, hidden: false }, recipe)],
                                `${recipe.name}, offered again`,
                              )
                            : removeRecord("recipes", recipe.id)),
                      },
                    ]}
                  />
                </span>
              ),
            },
          ]}
        />
      </section>
    </>
  );
}

/** A recipe on the chosen day and the days after it, halves too: planned where the day has not come. */
function OnDays({ recipe, close }: { recipe: Recipe; close: () => void }) {
  const { person, units, day, today, commit } = useLog();
  const eatenOf = useEatenOf();
  const meals = mealNames(person.settings ?? {});
  const counts = recipeCounted(recipe);
  const context = { units, today, counted: counts };
  const { control, handleSubmit, drop } = useTypedForm(eatenForm, context, `recipe on days ${recipe.id}`, {
    defaultValues: { meal: meals[1] ?? meals[0]!, portions: "1", days: "1", gone: "", by: "", byGrams: "" },
  });
  const gone = useWatch({ control, name: "gone" });
  const foods = [...useEdibles().foods.values()];
  const listed = (some: readonly Food[]) => some.map(({ id, name }) => ({ value: id, label: name }));
  const inside = recipe.ingredients.flatMap(({ foodId }) => foods.find(({ id }) => id === foodId) ?? []);
  const before = recipe.ingredients.find(({ foodId }) => foodId === gone)?.grams;
  const save = handleSubmit(async ({ meal, portions, days, by, byGrams }) => {
    const swaps = by === null || byGrams === null ? null : [{ foodId: gone, byFoodId: by, grams: byGrams }];
    const eaten = eatenOf({ recipeId: recipe.id, portions, swaps });
    if (eaten === null) return;
    const change = mealOnDays({ personId: person.id, date: day, meal, days }, today, eaten, newId);
    if (!(await commit(change, `${recipe.name} from ${shortDate(day)} on, ${counted(days, "day")}`))) return;
    drop();
    close();
  });
  return (
    <form onSubmit={(event) => void save(event)} noValidate aria-label={`Put ${recipe.name} on days`}>
      <Row>
        <Choice control={control} name="meal" label="Meal" options={meals.map((value) => ({ value, label: value }))} />
        <Field
          control={control}
          name="portions"
          label={counts.gramsOfPortion === null ? "Portions each" : "Portions or g each"}
          inputMode="decimal"
          autoFocus
        />
        <Field control={control} name="days" label={`Days from ${shortDate(day)} on`} inputMode="numeric" />
        <Choice
          control={control}
          name="gone"
          label="This once without"
          options={[{ value: "", label: "nothing: as it is written" }, ...listed(inside)]}
        />
        {gone !== "" && (
          <>
            <Choice
              control={control}
              name="by"
              label="in its place"
              options={listed(foods.filter(({ id, hidden }) => hidden !== true && id !== gone))}
            />
            <Field
              control={control}
              name="byGrams"
              label="in the whole recipe"
              unit="g"
              inputMode="decimal"
              placeholder={before === undefined ? "" : printTyped(before, 0)}
            />
          </>
        )}
        <FormEnd save="Put there" drop={drop} onClose={close} />
      </Row>
    </form>
  );
}
