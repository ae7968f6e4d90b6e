/** The date of an instant as the clock of this machine has it. */
export function localDate(at: Date): string {
  const two = (part: number) => String(part).padStart(2, "0");
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`;
}
