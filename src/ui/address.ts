"use client";

import { entryDayOf } from "@/core/base/calendar/day";
import { useSearchParams } from "next/navigation";
import { useMemo } from "react";

/**
 * How each part of an address is read: what it says, or null when it cannot be that. Addresses are typed, shared and
 * kept; nothing in them is believed.
 */
const schema = {
  date: (text: string) => (entryDayOf(text) === null ? null : text),
  session: anId,
  exercise: anId,
  cycle: anId,
  block: anId,
  food: anId,
} as const;

/**
 * What an address says of a date, a session, an exercise, a cycle, a block, a food to be made; null where it does not. `wrong`: a part of it that says
 * something impossible, in words.
 */
export type Address = { -readonly [K in keyof typeof schema]: string | null } & { wrong: string | null };

function anId(text: string): string | null {
  return text.length > 0 && text.length <= 200 ? text : null;
}

export function readAddress(asked: { get: (name: string) => string | null }): Address {
  const address: Address = {
    date: null,
    session: null,
    exercise: null,
    cycle: null,
    block: null,
    food: null,
    wrong: null,
  };
  for (const [name, read] of Object.entries(schema) as [keyof typeof schema, (text: string) => string | null][]) {
    const text = asked.get(name);
    if (text === null) continue;
    address[name] = read(text);
    if (address[name] === null)
      address.wrong ??= `The address names no ${name} that there can be: “${text.slice(0, 40)}”.`;
  }
  return address;
}

/** The address of the page, read part by part. */
export function useAddress(): Address {
  const asked = useSearchParams();
  return useMemo(() => readAddress(asked), [asked]);
}
