"use client";

import { byWord } from "@/core/base/byWord";
import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import styles from "./reader.module.css";

interface ReaderProps {
  /** Day number of each point, ascending; the chart's axis runs from the first to the last. */
  days: readonly number[];
  /** Pixels between the chart's own edges and where it plots. */
  inset: { left: number; right: number; top: number; bottom: number };
  /** The point that is read. */
  at: number | null;
  onRead: (at: number | null) => void;
  /** Asked to show a stretch alone; null for everything again. Absent where the chart always shows all. */
  onZoom?: (stretch: { from: number; to: number } | null) => void;
  /** What the point says, in words. */
  says: string;
  label: string;
}

/** Fewer days are not looked at alone. */
const daysAtLeast = 7;

/**
 * Lies over a chart: a line that follows the pointer (and stays where it is clicked) or the arrow keys, and a stretch
 * drawn with the mouse, or set by + and −, that is then shown alone. The chart itself is not drawn again while the line
 * moves.
 */
export function ChartReader({ days, inset, at, onRead, onZoom, says, label }: ReaderProps) {
  const plot = useRef<HTMLDivElement>(null);
  const [drag, setDrag] = useState<{ from: number; to: number } | null>(null);
  // A click holds the line, so that what it says can be gone to with the mouse; another lets it go.
  const [held, setHeld] = useState(false);
  const [first, last] = [days[0] ?? 0, days.at(-1) ?? 0];
  const share = (day: number) => (last === first ? 0 : (day - first) / (last - first));
  const nearest = (day: number) =>
    days.reduce((best, one, index) => (Math.abs(one - day) < Math.abs(days[best]! - day) ? index : best), 0);
  const dayAt = ({ clientX }: PointerEvent) => {
    const { left, width } = plot.current!.getBoundingClientRect();
    return Math.round(first + Math.min(1, Math.max(0, (clientX - left) / width)) * (last - first));
  };
  const zoom = (from: number, to: number) => {
    const [low, high] = [Math.min(from, to), Math.max(from, to)];
    if (high - low + 1 >= daysAtLeast) onZoom?.({ from: low, to: high });
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const now = at ?? days.length - 1;
    const within = (index: number) => Math.min(days.length - 1, Math.max(0, index));
    const read: Record<string, number> = byWord({
      ArrowLeft: within(now - 1),
      ArrowRight: within(now + 1),
      PageUp: within(now - 7),
      PageDown: within(now + 7),
      Home: 0,
      End: days.length - 1,
    });
    const middle = days[now] ?? last;
    const quarter = Math.max(Math.ceil(daysAtLeast / 2), Math.round((last - first) / 4));
    if (event.shiftKey && (event.key === "ArrowLeft" || event.key === "ArrowRight")) {
      const by = (event.key === "ArrowLeft" ? -1 : 1) * quarter;
      onZoom?.({ from: first + by, to: last + by });
    } else if (event.key in read) onRead(read[event.key]!);
    else if (event.key === "+" || event.key === "=") zoom(middle - quarter, middle + quarter);
    else if (event.key === "-") onZoom?.({ from: first - 2 * quarter, to: last + 2 * quarter });
    else if (event.key === "0" || event.key === "Escape") onZoom?.(null);
    else return;
    setHeld(false);
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <div className={`${styles.reader} noprint`} style={inset}>
      <div
        ref={plot}
        className={styles.plot}
        role="slider"
        tabIndex={0}
        aria-label={label}
        aria-valuemin={0}
        aria-valuemax={days.length - 1}
        aria-valuenow={at ?? days.length - 1}
        aria-valuetext={says}
        onKeyDown={onKeyDown}
        onPointerMove={(event) => {
          const day = dayAt(event);
          if (!held) onRead(nearest(day));
          if (drag !== null) setDrag({ ...drag, to: day });
        }}
        onPointerDown={(event) => {
          if (event.pointerType === "mouse" && event.button === 0) {
            event.currentTarget.setPointerCapture(event.pointerId);
            setDrag({ from: dayAt(event), to: dayAt(event) });
          } else onRead(nearest(dayAt(event)));
        }}
        onPointerUp={() => {
          if (drag !== null && drag.from === drag.to) {
            setHeld(!held);
            onRead(nearest(drag.to));
          } else if (drag !== null) {
            setHeld(false);
            zoom(drag.from, drag.to);
          }
          setDrag(null);
        }}
        onPointerCancel={() => setDrag(null)}
        onPointerLeave={(event) => {
          if (event.pointerType === "mouse" && drag === null && !held) onRead(null);
        }}
        onDoubleClick={() => onZoom?.(null)}
      >
        {onZoom && drag !== null && drag.from !== drag.to && (
          <div
            className={styles.stretch}
            style={{
              left: `${100 * share(Math.min(drag.from, drag.to))}%`,
              width: `${100 * Math.abs(share(drag.to) - share(drag.from))}%`,
            }}
          />
        )}
        {at !== null && days[at] !== undefined && (
          <div className={styles.line} style={{ left: `${100 * share(days[at])}%` }} />
        )}
      </div>
    </div>
  );
}
