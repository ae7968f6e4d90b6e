export const arrows: Record<
  "core" | "formats" | "devices" | "demo" | "store" | "compute" | "ui" | "features" | "app",
  string[]
>;
export const rooms: { plugins: object; settings: Record<string, unknown>; rules: Record<string, unknown> };
export const pureCore: Record<string, unknown>;
