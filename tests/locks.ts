/** A stand-in for the browser's Web Locks where there are none: exclusive locks by name, `ifAvailable` included. */
export class Locks {
  readonly #held = new Map<string, Promise<unknown>>();

  async request<T>(name: string, ...rest: [(lock: object | null) => T | Promise<T>] | [{ ifAvailable?: boolean }, (lock: object | null) => T | Promise<T>]): Promise<T> {
    const [options, work] = rest.length === 1 ? [{}, rest[0]] : rest;
    if (options.ifAvailable && this.#held.has(name)) return work(null);
    while (this.#held.has(name)) await this.#held.get(name);
    const running = Promise.resolve().then(() => work({ name }));
    const settled = running.then(() => {}, () => {}).then(() => { this.#held.delete(name); });
    this.#held.set(name, settled);
    return running;
  }
}
