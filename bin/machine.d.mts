export const root: string;
export const host: string;
export const port: number;
export function findChromium(): string | null;
