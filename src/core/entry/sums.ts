import { parseDecimal } from "../base/units/number";

/** What a small sum comes to. */
export interface Sum {
  value: number;
  unit: string;
  /** As it would be typed, to four decimals, with the decimal mark that was typed. */
  typed: string;
  /** Whether four decimals hold all of it; a third has no such end. */
  isWhole: boolean;
}

/** What a small sum comes to, as it would be typed; see `sumOf`. */
export function sumTyped(text: string): string | null {
  return sumOf(text)?.typed ?? null;
}

/**
 * What a small sum comes to: `3*55` is 165, `2 × 27,5 + 5 kg` is 60 of `kg`. Times and divided bind before plus and minus;
 * brackets before both. Minus stands with blanks around it: `8-9` is a range.
 * @returns null where the text is no sum, or one that comes to nothing: divided by nought, not closed
 */
export function sumOf(text: string): Sum | null {
  const [, sum, unit] = /^([\d\s.,+\-−–*×·÷/()]+?)\s*([a-z%]*)$/i.exec(text.trim()) ?? [];
  if (sum === undefined || !/[\d)]\s*[+\-−–*×·÷/]/.test(sum) || /[\d)][\-−–]|[\d)]\s+[\-−–]\S/.test(sum)) return null;
  const tokens = sum.match(/[\d.,]+|[^\s\d.,]/g)!;
  let at = 0;
  const takes = (signs: string) => at < tokens.length && signs.includes(tokens[at]!);
  const value = (): number | null => {
    if (takes("(")) {
      at += 1;
      const inside = added();
      if (!takes(")")) return null;
      at += 1;
      return inside;
    }
    const isBelow = takes("-−–");
    if (isBelow) at += 1;
    const number = parseDecimal(tokens[at] ?? "");
    at += 1;
    return number === null ? null : isBelow ? -number : number;
  };
  const multiplied = (): number | null => {
    let product = value();
    while (product !== null && takes("*×·÷/")) {
      const divides = takes("÷/");
      at += 1;
      const next = value();
      product = next === null ? null : divides ? product / next : product * next;
    }
    return product;
  };
  function added(): number | null {
    let total = multiplied();
    while (total !== null && takes("+-−–")) {
      const isPlus = takes("+");
      at += 1;
      const next = multiplied();
      total = next === null ? null : isPlus ? total + next : total - next;
    }
    return total;
  }
  const total = added();
  if (total === null || at < tokens.length || !(Math.abs(total) < 1e9)) return null;
  // Without thousands marks, which would be read as decimals.
  const rounded = Math.round(total * 1e4) / 1e4;
  const plain = String(rounded);
  const written = sum.includes(",") && !sum.includes(".") ? plain.replace(".", ",") : plain;
  return {
    value: total,
    unit: unit!,
    typed: unit === "" ? written : `${written} ${unit}`,
    isWhole: Math.abs(total - rounded) < 1e-9,
  };
}
