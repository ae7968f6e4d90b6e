/**
 * The point near `start` at which `cost` is least, by the downhill simplex of Nelder & Mead 1965. Deterministic.
 * @param step size of the first simplex along each axis
 * @param rounds at most so many replacements
 * @param tolerance ends the search once the simplex's costs differ by less than this
 */
export function minimise(
  cost: (point: readonly number[]) => number,
  start: readonly number[],
  step: number,
  rounds: number,
  tolerance = 1e-9,
): number[] {
  const worth = (point: number[]) => ({ point, value: cost(point) });
  const simplex = [
    worth([...start]),
    ...start.map((_, axis) => worth(start.map((value, index) => (index === axis ? value + step : value)))),
  ];
  const along = (from: readonly number[], to: readonly number[], share: number) =>
    from.map((value, index) => value + share * (to[index]! - value));
  for (let round = 0; round < rounds; round++) {
    simplex.sort((a, b) => a.value - b.value);
    const best = simplex[0]!;
    const worst = simplex.at(-1)!;
    if (worst.value - best.value < tolerance) break;
    const others = simplex.slice(0, -1);
    const centre = start.map((_, index) => others.reduce((sum, { point }) => sum + point[index]!, 0) / others.length);
    const reflected = worth(along(centre, worst.point, -1));
    if (reflected.value < best.value) {
      const expanded = worth(along(centre, worst.point, -2));
      simplex[simplex.length - 1] = expanded.value < reflected.value ? expanded : reflected;
    } else if (reflected.value < others.at(-1)!.value) simplex[simplex.length - 1] = reflected;
    else {
      const contracted = worth(along(centre, reflected.value < worst.value ? reflected.point : worst.point, 0.5));
      if (contracted.value < Math.min(reflected.value, worst.value)) simplex[simplex.length - 1] = contracted;
      else
        simplex.splice(1, others.length, ...simplex.slice(1).map(({ point }) => worth(along(best.point, point, 0.5))));
    }
  }
  return simplex.reduce((least, one) => (one.value < least.value ? one : least)).point;
}
