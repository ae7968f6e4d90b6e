import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { archiveJsonSchema } from "../src/formats/jsonSchema";

writeFileSync(join(process.cwd(), "docs", "archive.schema.json"), archiveJsonSchema());
