/** The hour of the trainee's clock, with its minutes as a part. */
export function hourNow(): number {
  const now = new Date();
  return now.getHours() + now.getMinutes() / 60;
}
