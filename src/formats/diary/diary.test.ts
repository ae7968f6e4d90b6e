import { createDecipheriv, createHash, pbkdf2Sync } from "node:crypto";
import { parse } from "csv-parse/sync";
import { describe, expect, it } from "vitest";
import { mustDay } from "@/core/base/calendar/day";
import { diary, type DiaryPart, diaryParts } from "@/core/days/diary";
import { AsOf } from "@/core/log/asOf";
import { putRecord } from "@/core/log/log";
import { demoLog, rowerId } from "@/demo/demoLog";
import { csv } from "../csv";
import { diaryPage, diaryRows } from "./diaryPage";
import { lockedPage } from "./lockedPage";

const today = mustDay("2026-06-11");
const log = demoLog(today);
putRecord(log, "dayNotes", {
  id: "n",
  personId: rowerId,
  date: "2026-06-08",
  text: '<img src=x onerror="alert(1)"> & =1+1',
});
const asOf = new AsOf(log, rowerId, today);
const of = (parts: readonly DiaryPart[]) => diary(asOf, { from: "2026-06-08", to: "2026-06-20", parts });

describe("a range of the diary for somebody else", () => {
  it("holds what is ticked and nothing besides, of the days that have come", () => {
    const all = of([...diaryParts]);
    expect(all.days.map(({ date }) => date)).toEqual(["2026-06-08", "2026-06-09", "2026-06-10", "2026-06-11"]);
    expect(all.days[0]!.kg).toBe(72.8);
    const page = (parts: readonly DiaryPart[]) => diaryPage(of(parts), asOf.printer, (date) => date);
    const food = page(["food"]);
    expect(food).toContain("Skyr");
    for (const kept of ["Strength", "72.8", "onerror", asOf.person.name]) expect(food).not.toContain(kept);
    expect(page(["sessions"])).not.toContain("Skyr");
    expect(page(["weight", "name"])).toContain(`Diary of ${asOf.person.name}`);
  });
  it("as a page has no script and each text as text; as CSV it is read back by a library, no formula in it", () => {
    const page = diaryPage(of(["notes", "weight"]), asOf.printer, (date) => date);
    expect(page).not.toMatch(/<script|<img/);
    expect(page).toContain("&lt;img src=x onerror=&quot;alert(1)&quot;&gt; &amp; =1+1");
    const [head, first] = parse(csv(diaryRows(of(["weight", "notes"]), asOf.printer.units))) as string[][];
    expect(head).toEqual(["date", "weight (kg)", "trend (kg)", "note"]);
    expect([first![0], first![1], first![3]]).toEqual(["2026-06-08", "72.8", '<img src=x onerror="alert(1)"> & =1+1']);
  });
  it("locked, is AES-256-GCM under PBKDF2, opened here by another implementation; a letter amiss opens nothing", async () => {
    const page = await lockedPage("<p>quiet</p>", "four words are good");
    expect(page).not.toContain("quiet");
    const { salt, iv, data, rounds } = JSON.parse(/json">(.*?)<\/script>/.exec(page)![1]!) as Record<string, string> & {
      rounds: number;
    };
    const open = (passphrase: string) => {
      const bytes = Buffer.from(data!, "base64");
      const key = pbkdf2Sync(passphrase, Buffer.from(salt!, "base64"), rounds, 32, "sha256");
      const cipher = createDecipheriv("aes-256-gcm", key, Buffer.from(iv!, "base64"));
      cipher.setAuthTag(bytes.subarray(-16));
      return Buffer.concat([cipher.update(bytes.subarray(0, -16)), cipher.final()]).toString();
    };
    expect(open("four words are good")).toBe("<p>quiet</p>");
    expect(() => open("four words are gooD")).toThrow();
    // The page's policy lets that one script run.
    const script = /<script>([\s\S]*?)<\/script>/.exec(page)![1]!;
    expect(page).toContain(`sha256-${createHash("sha256").update(script).digest("base64")}`);
  });
});
