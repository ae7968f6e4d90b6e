export const root: string;
export const host: string;
export const port: number;
export function nodeProblem(version: string): string | null;
export function findChromium(): string | null;
