"use client";

import { dateOf } from "@/core/base/calendar/day";
import type { BodyView } from "@/core/body/bodyView";
import { dayNumber } from "@/ui/charts/axis";
import { ChartReader } from "@/ui/charts/ChartReader";
import { shortDate } from "@/ui/dates";
import { LinkButton } from "@/ui/kit/LinkButton";
import { Tick } from "@/ui/kit/Tick";
import { useLog } from "@/ui/log/LogContext";
import { usePrinter } from "@/ui/usePrinter";
import { useRouter } from "next/navigation";
import { useState } from "react";
import styles from "./body.module.css";
import { axisHeight, axisWidth, BodyChartDrawing, height, margin } from "@/ui/charts/body/BodyChartDrawing";
import { BodyChartKey } from "./BodyChartKey";
import { marksOf, pointReading } from "@/ui/charts/body/bodyReading";

/**
 * Weigh-ins as dots, second ones hollow, the trend with its band, the plan line dashed in its band, the ways ahead, the
 * goal; sessions and notes in a strip below; a line to read them by.
 */
export function BodyChart({
  view,
  onZoom,
}: {
  view: BodyView;
  onZoom: (stretch: { from: string; to: string } | null) => void;
}) {
  const printer = usePrinter();
  const { chooseDay } = useLog();
  const router = useRouter();
  const [at, setAt] = useState<number | null>(null);
  const [withMedians, setWithMedians] = useState(false);
  const days = view.points.map(({ date }) => dayNumber(date));
  const point = at === null ? undefined : view.points[at];
  const marks = point === undefined ? [] : marksOf(view, at!);
  const says = point === undefined ? "" : pointReading(point, printer);
  return (
    <div>
      <p className={`${styles.reading} noprint`} aria-hidden={point === undefined}>
        {point === undefined ? (
          <span className="quiet">
            Move over the chart, or choose it and use the arrow keys, to read a day; click to hold it. Drag, or press +,
            to look closer.
          </span>
        ) : (
          <>
            {says}
            {marks.map(({ date, text, levelMayJump }) => (
              <span key={date}>
                {" "}
                · “{text || "marked"}”{levelMayJump ? ", the weight may jump here" : ""}{" "}
                <LinkButton
                  onClick={() => {
                    chooseDay(date);
                    router.push("/");
                  }}
                >
                  open {shortDate(date)}
                </LinkButton>
              </span>
            ))}
          </>
        )}
      </p>
      <div className="anchor" style={{ height }}>
        <BodyChartDrawing view={view} withMedians={withMedians} />
        <ChartReader
          days={days}
          inset={{ left: axisWidth, right: margin.right, top: margin.top, bottom: axisHeight }}
          at={at}
          onRead={setAt}
          says={[says, ...marks.map(({ text }) => text)].join("; ")}
          label="Day read on the chart"
          onZoom={(stretch) => {
            setAt(null);
            onZoom(stretch && { from: dateOf(stretch.from), to: dateOf(stretch.to) });
          }}
        />
      </div>
      <BodyChartKey view={view} withMedians={withMedians} />
      {view.medians.length > 0 && (
        <p className={`${styles.choice} noprint`}>
          <Tick checked={withMedians} onChange={setWithMedians}>
            weekly medians
          </Tick>
        </p>
      )}
    </div>
  );
}
