"use client";

import { counted } from "@/core/base/units/number";
import type { Food } from "@/core/log/kinds/foods";
import { Captioned } from "@/ui/kit/Captioned";
import { LinkButton } from "@/ui/kit/LinkButton";
import { Select } from "@/ui/kit/Select";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { Button } from "antd";
import { useState } from "react";

/** Makes this food and another one the same: what was eaten of the other becomes this one's. It can be undone. */
export function MergeFood({ food, foods, close }: { food: Food; foods: readonly Food[]; close: () => void }) {
  const { compute, person, today, commit } = useLog();
  const [otherId, setOther] = useState<string | null>(null);
  const other = foods.find(({ id }) => id === otherId);
  const found = useFigure("mergeFoods", { keptId: food.id, goneId: otherId ?? "" });
  const merge = async () => {
    if (other === undefined) return;
    // Asked again, so that what was written meanwhile is in it.
    const now = await compute.ask("mergeFoods", { personId: person.id, today, keptId: food.id, goneId: other.id });
    if (now && (await commit(now.change, `${other.name} is now ${food.name}`))) close();
  };
  return (
    <div className="above below">
      <p className="quiet small">
        What was eaten of the other becomes {food.name}&rsquo;s, with the nutrients it was written with; its portions
        and number come here where there are none, and the other goes.
      </p>
      <p className="row">
        <Captioned caption={`${food.name} is the same as`}>
          {(id) => (
            <Select
              id={id}
              value={otherId}
              placeholder="choose the other"
              options={foods
                .filter(({ id: one }) => one !== food.id)
                .map(({ id: one, name }) => ({ value: one, label: name }))}
              onChange={setOther}
            />
          )}
        </Captioned>
        {found && other && (
          <>
            <span>
              {counted(found.meals, "line")} of meals and {counted(found.recipes, "recipe")} move.
            </span>
            <Button onClick={() => void merge()}>Make them one</Button>
          </>
        )}
        <LinkButton onClick={close}>Cancel</LinkButton>
      </p>
    </div>
  );
}
