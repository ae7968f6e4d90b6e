import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { archiveJsonSchema } from "../src/formats/archive/jsonSchema";

writeFileSync(join(process.cwd(), "docs", "archive.schema.json"), archiveJsonSchema());
