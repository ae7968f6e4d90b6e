interface Asked {
  ifAvailable?: boolean;
  mode?: "exclusive" | "shared";
}
type Work<T> = (lock: object | null) => T | Promise<T>;

/**
 * A stand-in for the browser's Web Locks where there are none: by name, exclusive or shared, `ifAvailable` included.
 */
export class Locks {
  readonly #held = new Map<string, { shared: boolean; holders: Set<Promise<void>> }>();

  async request<T>(name: string, ...rest: [Work<T>] | [Asked, Work<T>]): Promise<T> {
    const [options, work] = rest.length === 1 ? [{}, rest[0]] : rest;
    const shared = options.mode === "shared";
    for (let held = this.#held.get(name); held !== undefined && !(held.shared && shared); held = this.#held.get(name)) {
      if (options.ifAvailable) return work(null);
      await Promise.race(held.holders);
    }
    const held = this.#held.get(name) ?? { shared, holders: new Set<Promise<void>>() };
    this.#held.set(name, held);
    const running = Promise.resolve().then(() => work({ name }));
    const settled: Promise<void> = running
      .then(
        () => {},
        () => {},
      )
      .then(() => {
        held.holders.delete(settled);
        if (held.holders.size === 0) this.#held.delete(name);
      });
    held.holders.add(settled);
    return running;
  }
}
