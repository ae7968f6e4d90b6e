"use client";

import { type KeyboardEvent, useRef } from "react";

/**
 * Keys in a table of fields: Enter goes a line down (a new line after the last), arrows up and down move between lines.
 * Fields are found by
 * `data-line` and `data-field`.
 */
export function useGridKeys(lines: number, addLine: () => void) {
  const table = useRef<HTMLTableElement>(null);
  const focus = (line: number, field: string) => {
    // After the line has been drawn.
    setTimeout(() => {
      const cell = table.current?.querySelector<HTMLElement>(`[data-line="${line}"][data-field="${field}"]`);
      const input = cell?.matches("input") ? cell : cell?.querySelector<HTMLElement>("input");
      input?.focus();
      if (input instanceof HTMLInputElement) input.select();
    });
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const { line, field } = (event.target as HTMLElement).dataset;
    if (line === undefined || field === undefined || event.ctrlKey || event.metaKey || event.altKey) return;
    const at = Number(line);
    if (event.key === "Enter" && at === lines - 1) {
      addLine();
      focus(lines, "exercise");
    } else if (event.key === "Enter" || event.key === "ArrowDown") focus(Math.min(lines - 1, at + 1), field);
    else if (event.key === "ArrowUp") focus(Math.max(0, at - 1), field);
    else return;
    event.preventDefault();
  };
  return { table, focus, onKeyDown };
}
