/**
 * A duration as it is written in training: `33:10`, `1:02:03`, `45 min`, `90 s`, `1 h 5 min`, `1:52.4`, in seconds.
 * Minutes and seconds after a colon must be below 60. Null when it is not a duration.
 */
export function parseDuration(text: string): number | null {
  const clean = text.trim().toLowerCase().replace(",", ".");
  const clock = /^(?:(\d{1,3}):)?(\d{1,3}):(\d{2}(?:\.\d+)?)$/.exec(clean);
  if (clock) {
    const [hours, minutes, seconds] = [Number(clock[1] ?? 0), Number(clock[2]), Number(clock[3])];
    if (seconds >= 60 || (clock[1] !== undefined && minutes >= 60)) return null;
    return hours * 3600 + minutes * 60 + seconds;
  }
  const named =
    /^(?:(\d+(?:\.\d+)?)\s*h(?:ours?)?)?\s*(?:(\d+(?:\.\d+)?)\s*(?:min|minutes?|m))?\s*(?:(\d+(?:\.\d+)?)\s*s(?:ec|econds?)?)?$/.exec(
      clean,
    );
  if (!named || clean === "" || !named.slice(1).some((part) => part !== undefined)) return null;
  return Number(named[1] ?? 0) * 3600 + Number(named[2] ?? 0) * 60 + Number(named[3] ?? 0);
}

/** A duration as a clock: `4:05`, `33:10`, `1:02:03`, rounded to the second; `decimals` 1 keeps tenths (`1:52.4`). */
export function printDuration(seconds: number, decimals: 0 | 1 = 0): string {
  const scale = 10 ** decimals;
  const total = Math.round(seconds * scale);
  const rest = (total % (60 * scale)) / scale;
  const minutes = Math.floor(total / (60 * scale));
  const tail = rest.toFixed(decimals).padStart(decimals ? 4 : 2, "0");
  return minutes < 60
    ? `${minutes}:${tail}`
    : `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, "0")}:${tail}`;
}
