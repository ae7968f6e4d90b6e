import * as z from "zod";

// Under a content-security policy without eval, Zod's compiled mode reports a violation as soon as a schema is built.
// So whatever runs in a browser does without it; this stands before the first schema, since the fields of all schemas
// import it.
if ("document" in globalThis || "WorkerGlobalScope" in globalThis) z.config({ jitless: true });
