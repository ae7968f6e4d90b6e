"use client";

import { printNumber } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import type { WorkLine } from "@/core/strength/workView";
import { Scrollable } from "@/ui/Scrollable";
import view from "@/ui/view.module.css";
import Link from "next/link";

/** Work by group or by lift, with each one's share. */
export function WorkLines({ title, lines, printer }: { title: string; lines: readonly WorkLine[]; printer: Printer }) {
  return (
    <section className={view.section}>
      <h2>{title}</h2>
      <Scrollable label={title}>
        <table>
          <thead>
            <tr>
              <th></th>
              {lines.some(({ sets }) => sets !== null) && <th className="num">Sets</th>}
              <th className="num">Lifts</th>
              <th className="num">Share</th>
              <th className="num">Volume load, {printer.units.mass}</th>
              <th className="num">Share</th>
            </tr>
          </thead>
          <tbody>
            {lines.map((line) => (
              <tr key={line.id}>
                <td>
                  {line.sets === null ? (
                    line.name
                  ) : (
                    <Link href={`/lifts?exercise=${encodeURIComponent(line.id)}`}>{line.name}</Link>
                  )}
                </td>
                {line.sets !== null && <td className="num">{line.sets}</td>}
                <td className="num">{printNumber(line.numberOfLifts, 0)}</td>
                <td className="num quiet">{printer.percent(line.liftShare)}</td>
                <td className="num">{printer.volumeLoadNumber(line.volumeLoadKg)}</td>
                <td className="num quiet">{printer.percent(line.loadShare)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scrollable>
    </section>
  );
}
