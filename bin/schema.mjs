// `npm run schema`: writes docs/archive.schema.json from the Zod schemas.
import { pathToFileURL } from "node:url";
import { bundle } from "./bundle.mjs";

await import(pathToFileURL(await bundle("schema")).href);
