import { fromKcal } from "@/core/base/units/energy";
import { fromKg } from "@/core/base/units/mass";
import { printNumber, rounded } from "@/core/base/units/number";
import type { Printer, Units } from "@/core/base/units/printer";
import type { Diary } from "@/core/days/diary";

/** A text as it stands in a page. */
function text(value: string): string {
  return value
    .replaceAll("&", "&amp;")
    .replaceAll("<", "&lt;")
    .replaceAll(">", "&gt;")
    .replaceAll('"', "&quot;")
    .replaceAll("'", "&#39;");
}

export const pageStyle =
  "body{font:16px/1.5 Georgia,serif;color:#141f1b;background:#fbf9f3;max-width:900px;margin:32px auto;padding:0 16px}" +
  "table{border-collapse:collapse;width:100%}th,td{text-align:left;vertical-align:top;padding:6px 12px 6px 0;border-bottom:1px solid #d9d4c3}" +
  "th{font-weight:600}th[scope=row]{white-space:nowrap}td.n{text-align:right;white-space:nowrap;font-variant-numeric:tabular-nums}small{color:#5c6b70}" +
  "@media print{body{margin:0;background:none}}";

/**
 * A range of the diary as one page that needs nothing else: no script, nothing fetched, each text of the trainee as text.
 * @param dateText dates as the trainee reads them
 */
export function diaryPage(diary: Diary, printer: Printer, dateText: (date: string) => string): string {
  const { units } = printer;
  const has = new Set(diary.parts);
  const heads = [
    "Day",
    ...(has.has("weight") ? [`Weight, ${units.mass}`, `Trend, ${units.mass}`] : []),
    ...(has.has("food") ? [`Energy, ${units.energy}`, "Protein, g"] : []),
    "What was written",
  ];
  const rows = diary.days.map((day) => {
    const words = [
      ...day.sessions.map((session) => text(session)),
      ...day.meals.map(({ meal, text: eaten }) => `<small>${text(meal)}</small> ${text(eaten)}`),
      ...day.measures.map((measure) => text(measure)),
      ...(day.note === "" ? [] : [`<em>${text(day.note)}</em>`]),
    ];
    const number = (value: string) => `<td class="n">${value}</td>`;
    return [
      `<tr><th scope="row">${text(dateText(day.date))}</th>`,
      ...(has.has("weight")
        ? [
            number(day.kg === null ? "" : printer.massNumber(day.kg)),
            number(day.trendKg === null ? "" : printer.massNumber(day.trendKg)),
          ]
        : []),
      ...(has.has("food")
        ? [
            number(day.food === null ? "" : `${printer.energyNumber(day.food.kcal)}${day.food.isWhole ? "" : " *"}`),
            number(day.food === null ? "" : printNumber(day.food.protein, 0)),
          ]
        : []),
      `<td>${words.join("<br>")}</td></tr>`,
    ].join("");
  });
  const title = `${diary.name === "" ? "A diary" : `Diary of ${diary.name}`}, ${dateText(diary.from)} to ${dateText(diary.to)}`;
  const isOpen = diary.days.some(({ food }) => food !== null && !food.isWhole);
  return pageOf(
    title,
    `<h1>${text(title)}</h1><table><thead><tr>${heads.map((head) => `<th scope="col">${text(head)}</th>`).join("")}</tr></thead>` +
      `<tbody>${rows.join("")}</tbody></table>${isOpen ? "<p><small>* not everything of the day is written.</small></p>" : ""}`,
    "",
  );
}

/** A page of its own. @param scriptHash of the one script that it may run; none where it is empty */
export function pageOf(title: string, body: string, scriptHash: string): string {
  const policy = `default-src 'none'; style-src 'unsafe-inline'${scriptHash === "" ? "" : `; script-src '${scriptHash}'`}`;
  return (
    `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta http-equiv="Content-Security-Policy" content="${policy}">` +
    `<meta name="viewport" content="width=device-width"><title>${text(title)}</title><style>${pageStyle}</style></head><body>${body}</body></html>`
  );
}

/** The same as rows for a spreadsheet, the first of them their heads. */
export function diaryRows(diary: Diary, units: Units): (string | number | null)[][] {
  const has = new Set(diary.parts);
  const head = [
    "date",
    ...(has.has("weight") ? [`weight (${units.mass})`, `trend (${units.mass})`] : []),
    ...(has.has("food")
      ? [`energy (${units.energy})`, "protein (g)", "fat (g)", "carbohydrate (g)", "fibre (g)", "whole", "meals"]
      : []),
    ...(has.has("sessions") ? ["sessions"] : []),
    ...(has.has("measures") ? ["measures"] : []),
    ...(has.has("notes") ? ["note"] : []),
  ];
  const mass = (kg: number | null) => (kg === null ? null : rounded(fromKg(kg, units.mass), 1));
  return [
    head,
    ...diary.days.map(({ date, kg, trendKg, food, meals, sessions, measures, note }) => [
      date,
      ...(has.has("weight") ? [mass(kg), mass(trendKg)] : []),
      ...(has.has("food")
        ? food === null
          ? Array.from({ length: 7 }, () => null)
          : [
              rounded(fromKcal(food.kcal, units.energy), 0),
              ...[food.protein, food.fat, food.carbohydrate, food.fibre].map((grams) => rounded(grams, 1)),
              food.isWhole ? "yes" : "no",
              meals.map(({ meal, text: eaten }) => `${meal}: ${eaten}`).join("; "),
            ]
        : []),
      ...(has.has("sessions") ? [sessions.join("; ")] : []),
      ...(has.has("measures") ? [measures.join("; ")] : []),
      ...(has.has("notes") ? [note] : []),
    ]),
  ];
}
