export const coreRooms: string[];
export const arrows: Record<string, string[]>;
export const rooms: { plugins: object; settings: Record<string, unknown>; rules: Record<string, unknown> };
export const pureCore: Record<string, unknown>;
