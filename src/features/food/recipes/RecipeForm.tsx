"use client";

import { printTyped } from "@/core/base/units/number";
import type { Recipe } from "@/core/log/kinds/recipes";
import { put } from "@/core/log/records";
import { ingredientsText } from "@/core/quickEntry/ingredientsText";
import { FormEnd } from "@/ui/inputs/FormEnd";
import { Field, Row, wide } from "@/ui/inputs/Field";
import { lateForm } from "@/ui/inputs/lateForm";
import { Meanwhile } from "@/ui/inputs/Meanwhile";
import { useRecordForm } from "@/ui/inputs/useRecordForm";
import { useLog } from "@/ui/log/LogContext";
import { useHousehold } from "@/ui/log/useFigure";
import { v7 as newId } from "uuid";

const recipeForm = lateForm(() => import("@/core/nutrition/forms").then((forms) => forms.recipeForm));

/** A recipe, its ingredients a line each as the quick-entry line reads foods. */
export function RecipeForm({ recipe, close }: { recipe: Recipe | null; close: () => void }) {
  const { commit, compute, person, units, today } = useLog();
  const library = useHousehold("library");
  const names = new Map((library?.foods ?? []).map(({ id, name }) => [id, name]));
  const taken = new Set(
    [...(library?.recipes ?? []), ...(library?.foods ?? [])]
      .filter(({ id }) => id !== recipe?.id)
      .map(({ name }) => name.toLowerCase()),
  );
  const { control, save, setError, meanwhile, drop } = useRecordForm(
    recipeForm,
    { units, today, taken },
    `recipe ${recipe?.id ?? "new"}`,
    {
      name: recipe?.name ?? "",
      portions: printTyped(recipe?.portions ?? 4, 2),
      cooked: recipe?.cookedGrams == null ? "" : printTyped(recipe.cookedGrams, 1),
      minutes: recipe?.minutes == null ? "" : printTyped(recipe.minutes, 1),
      ingredients: recipe === null ? "" : ingredientsText(recipe, (id) => names.get(id) ?? id),
      steps: Array.isArray(recipe?.steps) ? recipe.steps.join("\n") : (recipe?.steps ?? ""),
      tags: (recipe?.tags ?? []).join(", "),
      source: recipe?.source ?? "",
    },
    {
      name: "Name",
      portions: "Portions",
      cooked: "The cooked weight",
      minutes: "Minutes",
      ingredients: "Ingredients",
      steps: "Steps",
      tags: "Tags",
      source: "The source",
    },
  );
  const onSubmit = save(async ({ ingredients, tags, steps, source, ...values }, changed) => {
    const typed =
      recipe !== null && !changed.has("ingredients")
        ? { ingredients: recipe.ingredients }
        : await compute.ask("recipeTyped", { personId: person.id, today, ingredients });
    if (typed === null) return false;
    if ("why" in typed) {
      setError("ingredients", { message: typed.why }, { shouldFocus: true });
      return false;
    }
    const tagged = tags
      .split(",")
      .map((tag) => tag.trim())
      .filter(Boolean);
    const next: Recipe = {
      ...(recipe ?? { id: newId() }),
      name: values.name,
      portions: recipe === null || changed.has("portions") ? values.portions : recipe.portions,
      ingredients: typed.ingredients,
      ...(changed.has("cooked") ? { cookedGrams: values.cooked } : {}),
      ...(changed.has("minutes") ? { minutes: values.minutes } : {}),
      ...(changed.has("steps") ? { steps: steps || null } : {}),
      ...(changed.has("tags") ? { tags: tagged } : {}),
      ...(changed.has("source") ? { source: source || null } : {}),
    };
    const saved = await commit([put("recipes", next, recipe ?? undefined)], `Recipe ${next.name}`);
    if (saved) close();
    return saved;
  });
  return (
    <form
      onSubmit={(event) => void onSubmit(event)}
      noValidate
      className="noprint above"
      aria-label={recipe === null ? "A new recipe" : `Change ${recipe.name}`}
    >
      <Meanwhile said={meanwhile} />
      <Row>
        <Field control={control} name="name" label="Name" autoFocus />
        <Field control={control} name="portions" label="Portions" inputMode="decimal" />
        <Field control={control} name="cooked" label="Weighs cooked, if weighed" unit="g" inputMode="decimal" />
        <Field control={control} name="minutes" label="Minutes" inputMode="numeric" />
        <Field control={control} name="tags" label="Words" placeholder="soup, without meat" />
        <Field control={control} name="source" label="From" placeholder="a link or a book" />
      </Row>
      <Field
        control={control}
        name="ingredients"
        label="Ingredients, a line each"
        type="long"
        placeholder={"320 g lentils\n2 eggs"}
        className={wide}
      />
      <Field control={control} name="steps" label="Steps" type="long" className={wide} />
      <Row>
        <FormEnd save="Save recipe" drop={drop} onClose={close} />
      </Row>
    </form>
  );
}
