"use client";

import { counted } from "@/core/base/units/number";
import { readRecipes } from "@/compute/archives";
import { messageOf } from "@/core/base/messageOf";
import type { ReadRecipe } from "@/formats/recipePage/recipes";
import { FormEnd } from "@/ui/inputs/FormEnd";
import { Field, Row, wide } from "@/ui/inputs/Field";
import { lateForm } from "@/ui/inputs/lateForm";
import { useTypedForm } from "@/ui/inputs/useTypedForm";
import { FilePicker } from "@/ui/kit/FilePicker";
import { useLog } from "@/ui/log/LogContext";
import { Button } from "antd";
import { useState } from "react";
import { PageRecipeForm } from "./PageRecipeForm";
import { isOfSite, pageAt } from "./recipeSite";

const recipePageForm = lateForm(() => import("@/core/nutrition/forms").then((forms) => forms.recipePageForm));

/** A recipe from a page: pasted, from a file, or from the site that ships. */
export function FromPage({ close }: { close: () => void }) {
  const { units, today } = useLog();
  const [found, setFound] = useState<readonly ReadRecipe[]>([]);
  const [chosen, setChosen] = useState<ReadRecipe | null>(null);
  const { control, handleSubmit, setError, drop } = useTypedForm(recipePageForm, { units, today }, "recipe page", {
    defaultValues: { page: "" },
  });
  const take = async (page: string | { why: string }) => {
    const recipes =
      typeof page === "string" ? await readRecipes(page).catch((error: unknown) => ({ why: messageOf(error) })) : page;
    if ("why" in recipes) {
      setFound([]);
      setError("page", { message: recipes.why }, { shouldFocus: true });
      return;
    }
    setFound(recipes);
    if (recipes.length === 1) setChosen(recipes[0]!);
  };
  const read = handleSubmit(async ({ page }) => {
    const isAddress = isOfSite(page) || /^\s*https?:\/\/\S+\s*$/i.test(page);
    await take(isAddress ? await pageAt(page) : page);
  });
  const leave = () => {
    drop();
    close();
  };
  if (chosen !== null)
    return (
      <PageRecipeForm
        recipe={chosen}
        close={leave}
        back={() => {
          setChosen(null);
          setFound([]);
        }}
      />
    );
  return (
    <form onSubmit={(event) => void read(event)} noValidate className="noprint above" aria-label="A recipe from a page">
      <Field
        control={control}
        name="page"
        label="The page's source, or its address"
        type="long"
        placeholder="recipes.example/lentil-and-walnut-soup"
        className={wide}
      />
      <p className="quiet small">
        What the page states as open recipe data (schema.org) is read; nothing of it is run or fetched. Only
        recipes.example, which ships with Oat Column, is asked by address: of any other, save the page and give its
        file.
      </p>
      <FilePicker
        label="A saved page"
        accept=".html,.htm,.json,.jsonld,.txt"
        onFiles={([file]) => void file?.text().then(take)}
      >
        Drop a saved page here, or choose one
      </FilePicker>
      {found.length > 1 && (
        <p className="row" role="group" aria-label="Recipes of the page">
          {counted(found.length, "recipe")} are on it:
          {found.map((one, index) => (
            <Button key={index} onClick={() => setChosen(one)}>
              {one.name}
            </Button>
          ))}
        </p>
      )}
      <Row>
        <FormEnd save="Read it" drop={drop} onClose={close} />
      </Row>
    </form>
  );
}
