import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { filled, metric, whyNot } from "../../../tests/filled";
import { smallAsOf } from "../../../tests/smallLog";
import type { Session } from "../log/kinds/sessions";
import { starterExercises } from "../strength/starterExercises";
import { applyForm, repeatForm, routineForm, shiftForm, taperForm } from "./forms";
import { put } from "../log/records";
import { remembering } from "../sessions/firstPlan";
import { plansOtherwise } from "./follow";
import { movedTo } from "./movedTo";
import { nextWeekView, planDay } from "./nextWeekView";
import { planProposal } from "./proposals";
import { routineFollowed, routineOf, routinesView, routineTyped, sessionAsRoutine } from "./routines";
import { itemsText, readItems } from "./routineText";
import { takingOut } from "./takeOut";
import { standardWeekApplied, standardWeekFollowed, standardWeekOf, type WeekRule } from "./standardWeek";

/** Wednesday. */
const today = "2026-06-10";
const exercises = [
  { id: "squat", name: "Squat", equipment: "barbell", incrementKg: 2.5 },
  { id: "chin-up", name: "Chin-up", measure: "bodyweight-reps" },
];
const routine = {
  id: "legs",
  name: "Legs",
  kind: "strength",
  minutes: 60,
  effort: 7,
  items: [
    {
      exerciseId: "squat",
      tempo: "3-1-1",
      sets: [
        { warmUp: true, planned: { reps: 5, kg: 60 } },
        ...Array.from({ length: 4 }, () => ({ restSeconds: 150, planned: { reps: 5, kg: 100 } })),
      ],
    },
  ],
};
const week = {
  id: "w",
  personId: "p",
  name: "Usual",
  days: [
    { weekday: 1, sessions: [{ routineId: "legs", time: "18:00" }] },
    { weekday: 2, rest: true },
    {
      weekday: 4,
      sessions: [
        { kind: "row", title: "Row", minutes: 40, effort: 4, optional: true, distance: { planned: { metres: 8000 } } },
      ],
    },
  ],
};
/** A planned session as it is written on a day. */
const written = (after: Session, before: Session) =>
  (remembering([put("sessions", after, before)], today)[0] as { put: Session }).put;
const moved = (session: Session, to: string) => written(movedTo(session, to), session);
const counter = () => {
  let at = 0;
  return () => `new-${++at}`;
};
const asOf = (sessions: object[] = [], more: object = {}) =>
  smallAsOf(today, { exercises, routines: [routine], standardWeeks: [week], sessions, ...more });
const level: WeekRule = { kg: 0, reps: 0, percent: 0, easyEvery: null, hardEvery: null, easySets: 1, easyLoad: 1 };
const applied = (sessions: object[], weeks: number, rule: Partial<WeekRule> = {}, from = "2026-06-15") =>
  standardWeekApplied(asOf(sessions), { standardWeekId: "w", from, weeks, rule: { ...level, ...rule } }, counter());
const puts = (change: ReturnType<typeof applied>["change"]) =>
  change.flatMap((step) => ("put" in step && step.kind === "sessions" ? [step.put] : []));

describe("a standard week", () => {
  it("is laid over weeks, each session on its weekday with what its routine holds", () => {
    const found = puts(applied([], 2).change);
    expect(found.map(({ date, title, time, optional, routineId }) => [date, title, time, optional, routineId])).toEqual(
      [
        ["2026-06-15", "Legs", "18:00", undefined, "legs"],
        ["2026-06-18", "Row", undefined, true, undefined],
        ["2026-06-22", "Legs", "18:00", undefined, "legs"],
        ["2026-06-25", "Row", undefined, true, undefined],
      ],
    );
    expect(found[0]!.planned).toEqual({ minutes: 60, effort: 7 });
    expect(found[0]!.items![0]!.sets).toHaveLength(5);
    expect(found[1]!.distance).toEqual({ planned: { metres: 8000 } });
  });
  it("ends where the days of a log end, and says so", () => {
    const { change, sessions } = applied([], 3, {}, "2100-12-20");
    expect(puts(change).map(({ date }) => date)).toEqual(["2100-12-20", "2100-12-23", "2100-12-27", "2100-12-30"]);
    expect(JSON.stringify(change)).not.toContain("2101");
    const said = { what: "stays", text: "nothing is planned after 2100" };
    expect(sessions.slice(-3)).toEqual([
      { ...said, date: "2101-01-03", title: "Legs" },
      { ...said, date: "2101-01-04", title: "Rest" },
      { ...said, date: "2101-01-06", title: "Row" },
    ]);
  });
  it("grows by its rule, with an easy week that has a share of the week before it", () => {
    const { change, sums } = applied([], 5, { kg: 2.5, easyEvery: 4, easySets: 0.5, easyLoad: 0.9 });
    const legs = puts(change).filter(({ title }) => title === "Legs");
    expect(
      legs.map(({ items }) => {
        const working = items![0]!.sets.filter(({ warmUp }) => !warmUp);
        return [working.length, working[0]!.planned!.kg];
      }),
    ).toEqual([
      [4, 100],
      [4, 102.5],
      [4, 105],
      // Half the sets at 0.9 × 105 = 94.5, to 95; then on from where it was.
      [2, 95],
      [4, 107.5],
    ]);
    expect(sums.map(({ label, numberOfLifts, volumeLoadKg }) => [label, numberOfLifts, volumeLoadKg])).toEqual([
      ["four weeks as trained, a week", 0, 0],
      ["week from 2026-06-15", 20, 2000],
      ["week from 2026-06-22", 20, 2050],
      ["week from 2026-06-29", 20, 2100],
      ["week from 2026-07-06, easy", 10, 950],
      ["week from 2026-07-13", 20, 2150],
    ]);
  });
  it("has its easy and its hard variant in their weeks, an easy one before a hard one", () => {
    const easy = {
      id: "e",
      personId: "p",
      name: "Usual, easy",
      variantOf: "w",
      variant: "easy",
      days: [{ weekday: 1, sessions: [{ kind: "walk", title: "Walk", minutes: 30 }] }],
    };
    const hard = {
      ...easy,
      id: "h",
      name: "Usual, hard",
      variant: "hard",
      days: [{ weekday: 5, sessions: [{ routineId: "legs" }] }],
    };
    const found = standardWeekApplied(
      asOf([], { standardWeeks: [week, easy, hard] }),
      { standardWeekId: "w", from: "2026-06-15", weeks: 6, rule: { ...level, kg: 2.5, easyEvery: 3, hardEvery: 2 } },
      counter(),
    );
    expect(puts(found.change).map(({ date, title }) => [date, title])).toEqual([
      ["2026-06-15", "Legs"],
      ["2026-06-18", "Row"],
      // The second week is a hard one, the third easy, the sixth both: easy.
      ["2026-06-26", "Legs"],
      ["2026-06-29", "Walk"],
      ["2026-07-10", "Legs"],
      ["2026-07-13", "Legs"],
      ["2026-07-16", "Row"],
      ["2026-07-20", "Walk"],
    ]);
    expect(found.sums.map(({ label }) => label.split(", ").slice(1).join())).toEqual([
      "a week",
      "",
      "hard",
      "easy",
      "hard",
      "",
      "easy",
    ]);
  });
  it("plans its days of rest, where nothing else stands", () => {
    const change = (sessions: object[]) =>
      applied(sessions, 1).change.flatMap((step) => ("put" in step && step.kind === "dayNotes" ? [step.put] : []));
    expect(change([])).toMatchObject([{ date: "2026-06-16", restPlanned: true }]);
    expect(change([{ id: "x", date: "2026-06-16", kind: "run", status: "planned" }])).toEqual([]);
  });
  it("is followed by the weeks that were made of it, but for what is done, begun or grown", () => {
    const written = puts(applied([], 2, { kg: 2.5 }).change);
    const [legs, row, nextLegs, nextRow] = written as [Session, Session, Session, Session];
    const changed = {
      ...week,
      days: [week.days[0], { weekday: 3, sessions: [{ kind: "swim", title: "Swim", minutes: 30 }] }],
    };
    const found = standardWeekFollowed(
      asOf([legs, { ...row, status: "done" }, { ...nextLegs, date: "2026-06-23", movedFrom: nextLegs.date }, nextRow], {
        standardWeeks: [changed],
      }),
      { standardWeekId: "w" },
      counter(),
    );
    expect(found.sessions.map(({ date, title, what }) => [date, title, what])).toEqual([
      ["2026-06-15", "Legs", "stays"],
      ["2026-06-17", "Swim", "new"],
      // Moved by a day, it is still the session of its day.
      ["2026-06-23", "Legs", "stays"],
      ["2026-06-24", "Swim", "new"],
      ["2026-06-25", "Row", "removed"],
    ]);
    expect(found.change).toHaveLength(3);
  });
  it("plans nothing twice, leaves what is there, and writes no day that has passed", () => {
    const once = puts(applied([], 1).change);
    expect(puts(applied(once, 1).change)).toEqual([]);
    const found = applied(
      [{ id: "x", date: "2026-06-11", kind: "run", status: "planned", title: "Run" }],
      1,
      {},
      today,
    );
    expect(found.sessions.map(({ date, title, what }) => [date, title, what])).toEqual([
      ["2026-06-11", "Run", "stays"],
      ["2026-06-11", "Row", "new"],
    ]);
  });
  it("is laid again without a double: what was moved, taken out by hand or made easy is recognised", () => {
    const [legs, row] = puts(applied([], 1).change) as [Session, Session];
    // Moved to another day, and to another week.
    for (const to of ["2026-06-16", "2026-06-24"])
      expect(puts(applied([moved(legs, to), row], 1).change), to).toEqual([]);
    const taken = takingOut(asOf([legs, row]).log, row.id)!;
    const noted = taken.change.flatMap((step) => ("put" in step ? [step.put] : []));
    const again = (weeks: object[], sessions: object[], standardWeekId = "w") =>
      standardWeekApplied(
        asOf(sessions, { standardWeeks: weeks }),
        { standardWeekId, from: "2026-06-15", weeks: 1, rule: level },
        counter(),
      );
    expect(again(noted, [legs]).sessions.map(({ title, what, text }) => [title, what, text])).toEqual([
      ["Legs", "stays", "as it is planned"],
      ["Rest", "new", "a day of rest"],
      ["Row", "stays", "taken out by hand; it stays out"],
    ]);
    const followed = standardWeekFollowed(asOf([legs], { standardWeeks: noted }), { standardWeekId: "w" }, counter());
    expect(followed.change).toEqual([]);
    // Made easy: session by session in its place; what the easy week has not goes; ordinary again adds nothing.
    const easy = {
      ...week,
      id: "easy",
      name: "Usual, easy",
      variantOf: "w",
      variant: "easy",
      days: [{ weekday: 1, sessions: [{ kind: "strength", title: "Light legs", minutes: 30 }] }],
    };
    const eased = again([week, easy], [legs, row], "easy");
    expect(eased.sessions.map(({ title, what }) => [title, what])).toEqual([
      ["Light legs", "changed"],
      ["Row", "removed"],
    ]);
    const [light] = puts(eased.change) as [Session];
    expect([light.id, light.standardWeekId]).toEqual([legs.id, "easy"]);
    expect(puts(again([week, easy], [light]).change).map(({ title }) => title)).toEqual(["Row"]);
    // What was changed by hand keeps its shape.
    const byHand = written({ ...legs, planned: { minutes: 40 } }, legs);
    expect(puts(again([week, easy], [byHand, row], "easy").change)).toEqual([]);
  });
  it("is followed in its hours, where nobody has changed that of the day", () => {
    const [legs, , next] = puts(applied([], 2).change) as [Session, Session, Session];
    const later = { ...week, days: [{ weekday: 1, sessions: [{ routineId: "legs", time: "19:30" }] }] };
    const byHand = written({ ...next, time: "07:00" }, next);
    const found = standardWeekFollowed(
      asOf([legs, byHand], { standardWeeks: [later] }),
      { standardWeekId: "w" },
      counter(),
    );
    expect(puts(found.change).map(({ date, time }) => [date, time])).toEqual([["2026-06-15", "19:30"]]);
  });
  it("keeps a week as it is, with what was changed of a routine for it", () => {
    const [legs] = puts(applied([], 1).change) as [Session];
    const cut = {
      ...legs,
      planned: { minutes: 40 },
      items: [{ ...legs.items![0]!, sets: legs.items![0]!.sets.slice(0, 3) }],
    };
    const kept = standardWeekOf(asOf([cut]), "2026-06-15", "Cut", counter());
    expect(kept.days![0]!.sessions![0]).toMatchObject({ routineId: "legs", minutes: 40 });
    const [laid] = puts(
      standardWeekApplied(
        asOf([], { standardWeeks: [kept] }),
        { standardWeekId: kept.id, from: "2026-06-22", weeks: 1, rule: level },
        counter(),
      ).change,
    ) as [Session];
    expect([laid.planned, laid.items![0]!.sets.length]).toEqual([{ minutes: 40, effort: 7 }, 3]);
    expect(standardWeekOf(asOf([legs]), "2026-06-15", "Same", counter()).days![0]!.sessions![0]).toEqual({
      routineId: "legs",
      time: "18:00",
    });
  });
  it("is kept from a week of the log, with what its routines hold left to them", () => {
    const sessions = [
      { id: "a", date: "2026-06-08", kind: "strength", status: "done", title: "Legs", routineId: "legs" },
      {
        id: "b",
        date: "2026-06-10",
        kind: "row",
        status: "done",
        title: "Long row",
        minutes: 50,
        effort: 5,
        distance: { done: { metres: 9000, seconds: 3000 } },
      },
    ];
    const kept = standardWeekOf(asOf(sessions), today, "As it was", counter());
    expect(kept.days!.map(({ weekday, rest, sessions: own }) => [weekday, rest ?? false, (own ?? []).length])).toEqual([
      [1, false, 1],
      [2, true, 0],
      [3, false, 1],
      [4, true, 0],
      [5, true, 0],
      [6, true, 0],
      [7, true, 0],
    ]);
    expect(kept.days![0]!.sessions![0]).toEqual({ routineId: "legs" });
    expect(kept.days![2]!.sessions![0]).toEqual({
      kind: "row",
      title: "Long row",
      minutes: 50,
      effort: 5,
      distance: { planned: { metres: 9000, seconds: 3000 } },
    });
  });
});

describe("a routine", () => {
  it("is made of a session: what was planned, else what was done, without ids", () => {
    const session: Session = {
      id: "s",
      personId: "p",
      date: today,
      kind: "strength",
      status: "done",
      minutes: 55,
      items: [
        {
          id: "i",
          exerciseId: "squat",
          sets: [
            { id: "1", planned: { reps: 5, kg: 100 }, done: { reps: 4, kg: 100 } },
            { id: "2", done: { reps: 6, kg: 90, rpe: 9 } },
          ],
        },
      ],
    };
    expect(routineOf(session, counter())).toEqual({
      id: "new-1",
      name: "Strength",
      kind: "strength",
      minutes: 55,
      items: [{ exerciseId: "squat", sets: [{ planned: { reps: 5, kg: 100 } }, { planned: { reps: 6, kg: 90 } }] }],
    });
    expect(sessionAsRoutine(asOf([session]), { date: today, sessionId: "s" }, counter())!.routine.name).toBe(
      "Strength",
    );
    expect(sessionAsRoutine(asOf(), { date: today, sessionId: "none" }, counter())).toBeNull();
  });
  it("has planned sessions follow it, and none that is done or begun", () => {
    const [open] = puts(applied([], 1).change);
    const done = { ...open!, id: "done", date: "2026-06-09", status: "done" };
    const begun = {
      ...open!,
      id: "begun",
      date: "2026-06-12",
      items: [{ ...open!.items![0]!, sets: [{ id: "z", planned: { reps: 5 }, done: { reps: 5, kg: 80 } }] }],
    };
    const typed = routineTyped(asOf(), { routine, items: "Squat 3×5 110 kg" });
    if ("why" in typed) throw new Error(typed.why);
    const found = routineFollowed(asOf([open!, done, begun]), { ...typed, before: routine }, counter());
    expect(found.sessions.map(({ date, what }) => [date, what])).toEqual([["2026-06-15", "changed"]]);
    const [next] = puts(found.change);
    expect([next!.id, next!.time, next!.items![0]!.sets.map(({ planned }) => planned!.kg)]).toEqual([
      open!.id,
      "18:00",
      // The warm-up stays as it was.
      [60, 110, 110, 110],
    ]);
    expect(routinesView(asOf([open!, done, begun])).routines[0]!.followers).toBe(1);
  });
  it("that changed changes only what changed: growth, easy weeks and what was done by hand stay", () => {
    // 100, 102.5, an easy week of half the sets at 90 %, 105.
    const laid = puts(applied([], 4, { kg: 2.5, easyEvery: 3, easySets: 0.5, easyLoad: 0.9 }).change).filter(
      ({ routineId }) => routineId === "legs",
    ) as Session[];
    const loads = (sessions: readonly Session[]) =>
      sessions.map(({ items }) => items![0]!.sets.filter(({ warmUp }) => !warmUp).map(({ planned }) => planned!.kg));
    expect(loads(laid)).toEqual([Array(4).fill(100), Array(4).fill(102.5), [92.5, 92.5], Array(4).fill(105)]);
    const follow = (sessions: readonly Session[], after: object, before: object = routine) =>
      routineFollowed(
        asOf([...sessions]),
        { routine: after as typeof routine, before: before as typeof routine },
        counter(),
      );
    // A note is no change of the plan.
    expect(plansOtherwise(routine, { ...routine, note: "slow" } as typeof routine)).toBe(false);
    expect(follow(laid, { ...routine, note: "slow" }).change).toEqual([]);
    const [warmUp, ...sets] = routine.items[0]!.sets;
    const with_ = (kg: number, count = 4) => ({
      ...routine,
      items: [
        {
          ...routine.items[0]!,
          sets: [warmUp!, ...sets.slice(0, count).map((set) => ({ ...set, planned: { reps: 5, kg } }))],
        },
      ],
    });
    const heavier = puts(follow(laid, with_(110)).change) as Session[];
    // What was added stays added; 92.5 of 102.5 … as a share of what the routine asks: 92.5 × 110 ÷ 100 = 101.75.
    expect(loads(heavier)).toEqual([Array(4).fill(110), Array(4).fill(112.5), [102.5, 102.5], Array(4).fill(115)]);
    // Following twice is following once more, from where the first left it.
    expect(loads(puts(follow(heavier, with_(100), with_(110)).change) as Session[])).toEqual(
      loads(laid).map((of) => of.map((kg) => (kg === 92.5 ? 92.5 : kg))),
    );
    const fewer = puts(follow(laid, with_(100, 2)).change) as Session[];
    expect(fewer.map(({ items }) => items![0]!.sets.length - 1)).toEqual([2, 2, 1, 2]);
    // By hand: its loads stay, and its minutes, which nobody touched, follow.
    const hand = written(
      {
        ...laid[0]!,
        items: [
          {
            ...laid[0]!.items![0]!,
            sets: laid[0]!.items![0]!.sets.map((set) => ({ ...set, planned: { reps: 5, kg: 70 } })),
          },
        ],
      },
      laid[0]!,
    );
    const [kept] = puts(follow([hand], { ...with_(110), minutes: 75 }).change) as [Session];
    expect([loads([kept]), kept.planned]).toEqual([[Array(4).fill(70)], { minutes: 75, effort: 7 }]);
    const chins = {
      ...routine,
      items: [...routine.items, { exerciseId: "chin-up", sets: [{ planned: { reps: 8 } }] }],
    };
    const more = puts(follow([laid[1]!], chins).change) as [Session];
    expect([loads(more), more[0].items![1]!.exerciseId]).toEqual([[Array(4).fill(102.5)], "chin-up"]);
  });
  it("is typed a line each, and keeps the tempo and the warm-ups of what stays", () => {
    expect(routineTyped(asOf(), { routine, items: "Squat 3×5 75 % rest 3 min\nChin-up 3×8" })).toEqual({
      routine: {
        ...routine,
        items: [
          {
            exerciseId: "squat",
            tempo: "3-1-1",
            sets: [
              { warmUp: true, planned: { reps: 5, kg: 60 } },
              ...Array.from({ length: 3 }, () => ({ restSeconds: 180, planned: { reps: 5, percent: 0.75 } })),
            ],
          },
          { exerciseId: "chin-up", sets: Array.from({ length: 3 }, () => ({ planned: { reps: 8 } })) },
        ],
      },
    });
    expect(routineTyped(asOf(), { routine, items: "" })).toEqual({
      routine: expect.not.objectContaining({ items: [] }),
    });
    expect(routineTyped(asOf(), { routine, items: "Leg thing 3×5" })).toEqual({
      why: "There is no exercise called “Leg thing” in the library.",
    });
  });
  it("prints every exercise of the library so that it is read back", () => {
    const library = new Map(starterExercises.map((one) => [one.id, one]));
    fc.assert(
      fc.property(fc.constantFrom(...starterExercises), fc.integer({ min: 1, max: 9 }), ({ id, measure }, count) => {
        const planned =
          measure === "duration" ? { seconds: 30 } : measure === "distance" ? { metres: 20 } : { reps: 6 };
        const items = [{ exerciseId: id, sets: Array.from({ length: count }, () => ({ planned })) }];
        expect(readItems(itemsText(items, library, "kg"), [], library, "kg")).toEqual(items);
      }),
      { numRuns: 300 },
    );
  });
});

describe("the week that comes", () => {
  const sessions = [
    { id: "m", date: "2026-06-08", kind: "run", status: "planned", title: "Run", planned: { minutes: 30, effort: 4 } },
    {
      id: "d",
      date: "2026-06-09",
      kind: "row",
      status: "done",
      title: "Row",
      minutes: 40,
      effort: 5,
      distance: { done: { metres: 8000, seconds: 2400 } },
    },
    { id: "t", date: "2026-06-12", kind: "row", status: "planned", title: "Row", planned: { minutes: 60, effort: 3 } },
    { id: "n", date: "2026-06-16", kind: "row", status: "planned", title: "Row", planned: { minutes: 50, effort: 6 } },
    { id: "o", date: "2026-06-07", kind: "run", status: "skipped", title: "Jog", reason: "ill", optional: true },
  ];
  const view = nextWeekView(asOf(sessions));
  it("stands beside this one, and offers again what was missed", () => {
    expect([view.thisWeek.sessions.length, view.nextWeek.sessions.length]).toEqual([3, 1]);
    expect(view.missed.map(({ title, status, again }) => [title, status, again])).toEqual([
      ["Run", "missed", "2026-06-15"],
    ]);
  });
  it("comes to what is done and what is still planned, beside the last four weeks", () => {
    expect(
      view.weeks
        .map(({ start, what, minutes, sessionLoad, metres }) => [start, what, minutes, sessionLoad, metres])
        .slice(-2),
    ).toEqual([
      // 40 done at 5 and 60 planned at 3: the missed run counts for nothing.
      ["2026-06-08", "so far and planned", 100, 380, 8000],
      ["2026-06-15", "planned", 50, 300, 0],
    ]);
    expect(view.weeks).toHaveLength(6);
  });
  it("tells each day as it is planned", () => {
    expect(planDay(asOf(sessions), "2026-06-12").sessions.map(({ title, text }) => [title, text])).toEqual([
      ["Row", "60 min · effort 3"],
    ]);
  });
});

describe("the forms of a plan", () => {
  it("read a standard week's rule", () => {
    const plain = {
      standardWeekId: "w",
      from: "2026-06-15",
      weeks: "6",
      kg: "2.5",
      reps: "0",
      percent: "2.5",
      easyEvery: "4",
      hardEvery: "",
      easySets: "60",
      easyLoad: "90",
    };
    expect(filled(applyForm, metric, plain)).toEqual({
      standardWeekId: "w",
      from: "2026-06-15",
      weeks: 6,
      rule: { kg: 2.5, reps: 0, percent: 0.025, easyEvery: 4, hardEvery: null, easySets: 0.6, easyLoad: 0.9 },
    });
    expect(filled(applyForm, metric, { ...plain, easyEvery: "" }).rule.easyEvery).toBeNull();
    expect(
      Object.keys(
        whyNot(applyForm, metric, { ...plain, standardWeekId: "", weeks: "0", kg: "much", easySets: "0" }),
      ).sort(),
    ).toEqual(["easySets", "kg", "standardWeekId", "weeks"]);
  });
  it("read moves, copies, tapers and routines, and name what is nonsense", () => {
    expect(filled(shiftForm, metric, { from: today, days: "-3", withBars: true }).days).toBe(-3);
    expect(whyNot(shiftForm, metric, { from: today, days: "0", withBars: true }).days).toBe(
      "By no days, nothing moves.",
    );
    expect(filled(taperForm, metric, { event: today, days: "14", share: "50" }).share).toBe(0.5);
    expect(Object.keys(whyNot(taperForm, metric, { event: "", days: "90", share: "100" })).sort()).toEqual([
      "days",
      "event",
      "share",
    ]);
    expect(filled(repeatForm, metric, { on: today, everyDays: "7", times: "4" }).times).toBe(4);
    expect(Object.keys(whyNot(repeatForm, metric, { on: today, everyDays: "0", times: "1000" })).sort()).toEqual([
      "everyDays",
      "times",
    ]);
    const blank = {
      name: "Row",
      kind: "Row",
      minutes: "",
      effort: "",
      instructor: "",
      link: "",
      note: "",
      items: "",
      distance: "8 km",
      time: "",
      purpose: "",
    };
    expect(filled(routineForm, metric, blank)).toMatchObject({
      kind: "row",
      distance: 8000,
      time: null,
      minutes: null,
    });
    expect(
      Object.keys(whyNot(routineForm, metric, { ...blank, name: "", effort: "11", minutes: "ages" })).sort(),
    ).toEqual(["effort", "minutes", "name"]);
  });
  it("ask for what they name", () => {
    const of = asOf([{ id: "t", date: "2026-06-12", kind: "row", status: "planned", title: "Row" }]);
    const what = (ask: Parameters<typeof planProposal>[1]["ask"]) =>
      planProposal(of, { ask }, counter()).sessions.map((one) => one.what);
    expect(what({ of: "clear", from: "2026-06-12", to: "2026-06-12" })).toEqual(["removed"]);
    expect(what({ of: "swap", a: "2026-06-12", b: "2026-06-13" })).toEqual(["moved"]);
    expect(what({ of: "shift", from: today, days: 1, withBars: false })).toEqual(["moved"]);
    expect(what({ of: "taper", event: "2026-06-14", days: 7, share: 0.5 })).toEqual(["changed"]);
    expect(what({ of: "standardWeek", standardWeekId: "w", from: "2026-06-15", weeks: 1, rule: level })).toEqual([
      "new",
      "new",
      "new",
    ]);
    expect(
      what({ of: "repeat", date: "2026-06-12", sessionId: "t", on: "2026-06-19", everyDays: 7, times: 2 }),
    ).toEqual(["new", "new"]);
    expect(what({ of: "routine", routine, before: routine })).toEqual([]);
    expect(what({ of: "cycle", cycleId: "none" })).toEqual([]);
  });
});
