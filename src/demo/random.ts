/**
 * A seeded source of numbers: the same seed gives the same run on every machine. Generator: mulberry32 (public domain).
 */
export class Random {
  #state: number;

  constructor(seed: number) {
    this.#state = seed >>> 0;
  }

  /** Evenly between 0 and 1. */
  next(): number {
    this.#state = (this.#state + 0x6d2b79f5) >>> 0;
    let t = this.#state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  }

  /**
   * Normal with mean 0 and the given standard deviation, near enough: twelve even numbers summed, no transcendental
   * function that engines may round differently.
   */
  normal(sd: number): number {
    let sum = -6;
    for (let i = 0; i < 12; i++) sum += this.next();
    return sum * sd;
  }

  chance(probability: number): boolean {
    return this.next() < probability;
  }

  pick<T>(list: readonly T[]): T {
    return list[Math.floor(this.next() * list.length)]!;
  }
}
