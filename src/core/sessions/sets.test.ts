import { describe, expect, it } from "vitest";
import type { Session, TrainingSet } from "../log/kinds/sessions";
import { withStatus } from "./sets";

const session = (status: Session["status"], ...sets: Omit<TrainingSet, "id">[]): Session => ({
  id: "s",
  personId: "p",
  date: "2026-06-11",
  kind: "strength",
  status,
  items: [{ id: "i", exerciseId: "squat", sets: sets.map((set, index) => ({ id: `${index}`, ...set })) }],
});
const planned = { planned: { reps: 5, kg: 100 } };
const done = { ...planned, done: { reps: 5, kg: 100 } };

describe("how a session stands by its sets", () => {
  it("is planned again when none is done any more, and stays left out or moved when it was", () => {
    for (const status of ["done", "partly", "planned"] as const)
      expect([status, withStatus(session(status, planned)).status]).toEqual([status, "planned"]);
    for (const status of ["skipped", "missed"] as const)
      expect(withStatus(session(status, planned)).status).toBe(status);
  });
  it("is partly done while a planned working set is open, done when all are; warm-ups and unplanned sets ask nothing", () => {
    expect(withStatus(session("planned", done, planned)).status).toBe("partly");
    expect(withStatus(session("planned", done, done)).status).toBe("done");
    expect(withStatus(session("planned", done, { ...planned, warmUp: true })).status).toBe("done");
    expect(withStatus(session("planned", done, {})).status).toBe("done");
  });
});
