import { expect, it } from "vitest";
import { smallAsOf } from "../../../tests/smallLog";
import type { Session } from "../log/kinds/sessions";
import { confirmed } from "../training/perform";
import { partText, untickedParts, withPartDone } from "./parts";
import { canMove } from "./planned";

const session: Session = {
  id: "s",
  personId: "p",
  date: "2026-06-10",
  kind: "run",
  status: "planned",
  distance: { planned: { metres: 4000, seconds: 1200 } },
  steps: [
    { metres: 2000, note: "easy" },
    { times: 2, metres: 1000, rest: { seconds: 120 }, target: { secondsPerKm: 240 } },
  ],
};

it("a session is ticked part by part: partly done with the first, done with the last, planned again without any", () => {
  const first = withPartDone(session, 0, 1);
  expect([first.status, canMove(session), canMove(first)]).toEqual(["partly", true, false]);
  const second = withPartDone(first, 1, 1);
  expect(second.status).toBe("partly");
  const whole = withPartDone(second, 1, 2);
  expect([whole.status, whole.distance!.done]).toEqual(["done", { metres: 4000, seconds: 1200 }]);
  expect(withPartDone(first, 0, 0).status).toBe("planned");
  // What was written of the distance stands, and keeps the session from being planned again.
  const short = { ...first, distance: { ...session.distance, done: { metres: 2500 } } };
  expect(withPartDone(short, 0, 0).status).toBe("partly");
  expect(untickedParts(whole.steps)).toEqual(session.steps);
});

it("a session confirmed as planned has every part done", () => {
  expect(confirmed(session, () => undefined).steps!.map(({ done }) => done)).toEqual([1, 2]);
});

it("a part is said in words, in the trainee's units", () => {
  const { printer } = smallAsOf("2026-06-10", {});
  expect(session.steps!.map((part) => partText(part, "run", printer))).toEqual([
    "2.00 km, easy",
    "2 × 1.00 km at 4:00 /km, rest 2:00",
  ]);
  expect(partText({ seconds: 600, target: { effort: 3 } }, "row", printer)).toBe("10:00, effort 3");
});
