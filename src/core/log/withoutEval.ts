import * as z from "zod";

// Under a content-security policy without eval, Zod's compiled mode reports a violation. Imported first, before any schema is built,
// by whatever runs in a browser.
z.config({ jitless: true });
