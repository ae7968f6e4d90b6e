"use client";

import { parseDecimal, printNumber, printTyped } from "@/core/base/units/number";
import type { Recipe } from "@/core/log/kinds/recipes";
import { Captioned } from "@/ui/kit/Captioned";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useHousehold } from "@/ui/log/useFigure";
import { StoredPicture } from "@/ui/photo/Picture";
import { Input } from "antd";
import { useState } from "react";
import styles from "./recipes.module.css";

/** A recipe to cook by: its ingredients for as many portions as are wanted, its steps, its picture. */
export function RecipeCard({ recipe, close }: { recipe: Recipe; close: () => void }) {
  const library = useHousehold("library");
  const [typed, setTyped] = useState(printTyped(recipe.portions ?? 1, 2));
  const portions = parseDecimal(typed);
  const isNone = portions === null || !(portions > 0) || portions > 1000;
  const by = isNone ? 1 : portions / (recipe.portions ?? 1);
  const names = new Map((library?.foods ?? []).map(({ id, name }) => [id, name]));
  const picture = library?.pictures[recipe.id];
  const steps = typeof recipe.steps === "string" ? recipe.steps.split("\n") : (recipe.steps ?? []);
  const isLink = /^https?:\/\/\S+$/i.test(recipe.source ?? "");
  return (
    <article aria-label={recipe.name} className={styles.card}>
      {picture !== undefined && (
        <StoredPicture
          file={picture}
          of={recipe.name}
          alt={recipe.name}
          className={styles.picture}
          empty={styles.picture}
        />
      )}
      <div>
        <Captioned caption="For so many portions">
          {(id) => (
            <Input
              id={id}
              value={typed}
              inputMode="decimal"
              autoComplete="off"
              status={isNone ? "error" : undefined}
              aria-invalid={isNone}
              onChange={(event) => setTyped(event.target.value)}
            />
          )}
        </Captioned>
        <ul>
          {recipe.ingredients.map(({ foodId, grams, text }, index) => (
            <li key={index}>
              <strong className="num">{printNumber(grams * by, grams * by < 10 ? 1 : 0)} g</strong>{" "}
              {names.get(foodId) ?? "a food that is no longer there"}
              {text != null && <span className="quiet small"> {text}</span>}
            </li>
          ))}
        </ul>
        {steps.length > 0 && (
          <ol>
            {steps.filter(Boolean).map((step, index) => (
              <li key={index}>{step}</li>
            ))}
          </ol>
        )}
        {recipe.source != null && (
          <p className="quiet small">
            From{" "}
            {isLink ? (
              <a href={recipe.source} target="_blank" rel="noopener noreferrer nofollow">
                {recipe.source}
              </a>
            ) : (
              recipe.source
            )}
          </p>
        )}
        <LinkButton onClick={close}>Close</LinkButton>
      </div>
    </article>
  );
}
