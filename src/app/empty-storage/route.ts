/**
 * Has the browser empty all that it keeps for this address: the one way out when it can neither open nor delete its
 * database. Only a page of the application may ask for it; a browser does not let any other say that it is one.
 */
export function POST(request: Request): Response {
  if (request.headers.get("sec-fetch-site") !== "same-origin") return new Response(null, { status: 403 });
  return new Response(null, { status: 204, headers: { "Clear-Site-Data": '"storage"' } });
}
