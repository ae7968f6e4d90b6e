export const root: string;
export const host: string;
export const port: number;
export const chromiumFlags: string[];
export function nodeProblem(version: string): string | null;
export function findChromium(): string | null;
