/** So long an answer of a simulated service is waited for, milliseconds. */
const patience = 5000;

/** What is said where a service answers late, not at all, knows nothing of what is asked, or is down. */
interface Said {
  late: string;
  away: string;
  unknown: string;
  down: string;
}

/** The answer of one of the simulated services that ship; or why there is none, in words. */
export async function askService(path: string, said: Said): Promise<Response | { why: string }> {
  let response: Response;
  try {
    response = await fetch(path, { signal: AbortSignal.timeout(patience) });
  } catch (error) {
    return { why: error instanceof DOMException && error.name === "TimeoutError" ? said.late : said.away };
  }
  if (response.status === 404) return { why: said.unknown };
  return response.ok ? response : { why: said.down };
}
