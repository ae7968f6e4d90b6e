"use client";

import { counted, printNumber } from "@/core/base/units/number";
import type { Food } from "@/core/log/kinds/foods";
import { put } from "@/core/log/records";
import { per100g } from "@/core/nutrition/energy";
import { labelDisagrees } from "@/core/nutrition/label";
import { useAddress } from "@/ui/address";
import { Actions } from "@/ui/kit/Actions";
import { Captioned } from "@/ui/kit/Captioned";
import { lateCode, whenIdle } from "@/ui/kit/late";
import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";
import { Tick } from "@/ui/kit/Tick";
import { useLog } from "@/ui/log/LogContext";
import { useHousehold } from "@/ui/log/useFigure";
import { usePrinter } from "@/ui/usePrinter";
import view from "@/ui/view.module.css";
import { Button, Input } from "antd";
import { useDeferredValue, useEffect, useMemo, useState } from "react";
import { FoodHead } from "../FoodHead";
import { FoodForm } from "./FoodForm";
import { MergeFood } from "./MergeFood";

const search = lateCode(() =>
  import("@/tables/foodSearch").then(({ FoodSearch, tableName }) => ({ FoodSearch, tableName })),
);

/** So many foods are shown at most. */
const shownAtMost = 40;

interface Line {
  food: Food;
  of: "own" | "table";
}

/** The household's foods, and those of the table that ships: found by typing, taken over, changed in one place. */
export function Foods() {
  const { food } = useAddress();
  return <Library key={food ?? ""} made={food} />;
}

/** @param made the name of a food that is to be made, where one is asked for */
function Library({ made }: { made: string | null }) {
  const { commit } = useLog();
  const printer = usePrinter();
  const library = useHousehold("library");
  // What is asked for may be in the table already.
  const [typed, setTyped] = useState(made ?? "");
  const [withHidden, setWithHidden] = useState(false);
  const [edited, setEdited] = useState<string | null>(made === null ? null : "new");
  const [merged, setMerged] = useState<string | null>(null);
  const text = useDeferredValue(typed.trim());
  useEffect(() => whenIdle(search.fetch), []);
  const code = search.useCode();
  const own = useMemo(() => library?.foods ?? [], [library]);
  const finder = useMemo(() => (code === null ? null : new code.FoodSearch(own)), [code, own]);
  if (library === undefined) return null;
  const standing = own.filter(({ hidden }) => withHidden || hidden !== true);
  const lines: Line[] =
    text === "" || finder === null
      ? standing
          .toSorted((a, b) => Number(b.favourite ?? false) - Number(a.favourite ?? false))
          .map((food) => ({ food, of: "own" }))
      : finder.find(text, shownAtMost).map(({ food, of }) => ({ food, of }));
  const write = (next: Food, before: Food | undefined, label: string) =>
    void commit([put("foods", next, before)], label);
  return (
    <>
      <FoodHead>
        <Button onClick={() => setEdited("new")}>New food</Button>
      </FoodHead>
      {edited === "new" && <FoodForm food={null} called={made ?? ""} close={() => setEdited(null)} />}
      <p className="row">
        <Captioned caption="Find">
          {(id) => (
            <Input
              id={id}
              type="search"
              value={typed}
              onChange={(event) => setTyped(event.target.value)}
              placeholder="egg, oats, spinach"
              autoComplete="off"
            />
          )}
        </Captioned>
        <Tick checked={withHidden} onChange={setWithHidden}>
          with those put away
        </Tick>
      </p>
      <p className="quiet small">
        {text === ""
          ? `${counted(standing.length, "food")} of your own. Typing searches ${code === null ? "a table that ships" : `the ${code.tableName}`} as well: a food of it is yours once you take it over.`
          : `${counted(lines.length, "food")} found${lines.length === shownAtMost ? ", the nearest of them" : ""}.`}
      </p>
      <section className={view.section}>
        <RecordTable<Line>
          label="Foods"
          rows={lines}
          keyOf={({ food }) => food.id}
          tone={({ food }) => (food.hidden ? "quiet" : undefined)}
          below={({ food, of }) =>
            of === "own" &&
            (edited === food.id ? (
              <FoodForm food={food} close={() => setEdited(null)} />
            ) : (
              merged === food.id && <MergeFood food={food} foods={own} close={() => setMerged(null)} />
            ))
          }
          columns={[
            {
              head: "Food",
              folded: "name",
              cell: ({ food, of }) => (
                <>
                  {food.favourite ? "★ " : ""}
                  {food.name}
                  <span className="quiet small">
                    {" "}
                    {of === "table" ? "of the table" : (food.source ?? "")}
                    {(food.portions ?? []).map(({ name, grams }) => ` · ${name} ${printNumber(grams, 0)} g`).join("")}
                    {food.hidden ? " · put away" : ""}
                  </span>
                  <Disagrees food={food} />
                </>
              ),
            },
            {
              head: `${printer.units.energy} in 100 g`,
              num: true,
              folded: "beside",
              cell: ({ food }) => printer.energyNumber(per100g(food).kcal),
            },
            { head: "Protein, g", num: true, cell: ({ food }) => printNumber(per100g(food).protein, 1) },
            { head: "Fat, g", num: true, cell: ({ food }) => printNumber(per100g(food).fat, 1) },
            { head: "Carbohydrate, g", num: true, cell: ({ food }) => printNumber(per100g(food).carbohydrate, 1) },
            { head: "of it fibre", num: true, tone: "quiet", cell: ({ food }) => printNumber(per100g(food).fibre, 1) },
            {
              head: "Change",
              mute: true,
              num: true,
              cell: ({ food, of }) =>
                of === "table" ? (
                  <LinkButton
                    aria-label={`Take over ${food.name}`}
                    onClick={() => write(food, undefined, `${food.name}, taken over`)}
                  >
                    Take over
                  </LinkButton>
                ) : (
                  <Actions
                    label={food.name}
                    actions={[
                      { name: "Change", act: () => setEdited(food.id) },
                      {
                        name: food.favourite ? "No favourite any more" : "Make it a favourite",
                        act: () =>
                          write(
                            { ...food, favourite: !food.favourite },
                            food,
                            food.favourite ? `${food.name}, no favourite` : `${food.name}, a favourite`,
                          ),
                      },
                      { name: "The same as another", act: () => setMerged(food.id) },
                      {
                        name: food.hidden ? "Take it out again" : "Put it away",
                        act: () =>
                          write(
                            { ...food, hidden: !food.hidden },
                            food,
                            food.hidden ? `${food.name}, offered again` : `${food.name}, put away`,
                          ),
                      },
                    ]}
                  />
                ),
            },
          ]}
        />
      </section>
    </>
  );
}

/** A remark where the stated energy and the nutrients are further apart than rounding can put them. */
function Disagrees({ food }: { food: Food }) {
  const printer = usePrinter();
  const found = labelDisagrees(food);
  if (found === null) return null;
  return (
    <span className="warn small">
      {" "}
      · {printer.energyNumber(found.statedKcal)} stated, its nutrients make {printer.energy(found.computedKcal)}
    </span>
  );
}
