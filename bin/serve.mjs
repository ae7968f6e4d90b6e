// Serves the built application: `node bin/serve.mjs PORT`. Every request is looked at before the framework answers
// any of it, so that its redirects too are for this machine's own names alone and carry a policy.
import { createServer } from "node:http";
import next from "next";
import { host, root } from "./machine.mjs";

const port = Number(process.argv[2]);
const app = next({ dev: false, dir: root, hostname: host, port });
const answer = app.getRequestHandler();

/** Names under which this machine reaches itself. */
const ownHosts = /^(127\.0\.0\.1|localhost|\[::1\])(:\d{1,5})?$/;
const methods = new Set(["GET", "HEAD", "POST"]);

/** Why a request is answered by nothing of the application; null where it is. */
function refusal({ method, url, headers }) {
  if (!ownHosts.test(headers.host ?? "")) return [421, "Oat Column answers under its own address alone."];
  if (!methods.has(method)) return [405, "Oat Column is read, and that alone."];
  // A path of this server: neither another address in full, nor one that a redirect would make into one.
  if (!/^\/(?![\/\\])/.test(url) || url.split("?")[0].includes("\\")) return [400, "That is no address of Oat Column."];
  return null;
}

await app.prepare();
createServer((request, response) => {
  const refused = refusal(request);
  if (refused !== null) {
    const [status, text] = refused;
    response.writeHead(status, {
      "Content-Type": "text/plain",
      "Content-Security-Policy": "default-src 'none'",
      "X-Content-Type-Options": "nosniff",
      ...(status === 405 ? { Allow: [...methods].join(", ") } : {}),
    });
    return response.end(text);
  }
  // What the framework answers before its own rules (a path with a slash at its end) bears a policy too.
  response.setHeader("Content-Security-Policy", "default-src 'none'");
  response.setHeader("X-Content-Type-Options", "nosniff");
  void answer(request, response);
}).listen(port, host, () => console.log("Ready"));
