import type { Written, WrittenDown } from "../../src/core/entry/parsedEntry";

const number = (value: number) => String(Math.round(value * 1000) / 1000);

function setOf({ reps, kg, rpe, seconds, metres, warmUp, failed, percent, parts }: WrittenDown): string {
  const amount = reps !== null ? number(reps) : seconds !== null ? `${number(seconds)}s` : `${number(metres!)}m`;
  return [
    amount,
    kg === null ? "" : `@${number(kg)}`,
    rpe === null ? "" : `r${number(rpe)}`,
    warmUp ? "w" : "",
    failed ? "f" : "",
    percent === null ? "" : `%${number(percent)}`,
    (parts ?? []).map((part) => `>${number(part.reps)}${part.kg === null ? "" : `@${number(part.kg)}`}`).join(""),
  ].join("");
}

/**
 * What a line says, in one line: `Bench press 5@80r8 5@80`, `run 5000m 1500s easy`, `81.9kg 06:40 "salt"`, `Eggs 116g`.
 */
export function spoken({ weighIns, sessions, meals, waterMl, readings, dayNote }: Written): string {
  const quoted = (text: string) => (text === "" ? [] : [JSON.stringify(text)]);
  return [
    ...weighIns.map(({ kg, time, primary, note }) =>
      [`${number(kg)}kg`, ...(time ? [time] : []), ...(primary ? [] : ["second"]), ...quoted(note)].join(" "),
    ),
    ...sessions.flatMap(({ kind, metres, seconds, purpose, effort, note, exercises }) =>
      exercises.length > 0
        ? exercises.map((exercise) => [exercise.name, ...exercise.sets.map(setOf), ...quoted(exercise.note)].join(" "))
        : [
            [
              kind,
              ...(metres === null ? [] : [`${number(metres)}m`]),
              ...(seconds === null ? [] : [`${number(seconds)}s`]),
              ...(purpose ? [purpose] : []),
              ...(effort === null ? [] : [`effort ${effort}`]),
              ...quoted(note),
            ].join(" "),
          ],
    ),
    ...meals.map(({ name, grams, portions, meal }) =>
      [name, grams === null ? `${number(portions!)} portions` : `${number(grams)}g`, ...(meal ? [meal] : [])].join(" "),
    ),
    ...(waterMl === null ? [] : [`water ${number(waterMl)}ml`]),
    ...readings.map(({ name, value, unit }) => `${name} ${number(value)}${unit}`),
    ...(dayNote === "" ? [] : [`note ${JSON.stringify(dayNote)}`]),
  ].join(" | ");
}
