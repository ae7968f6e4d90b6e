import { archiveJsonSchema } from "@/formats/archive/jsonSchema";
import Ajv from "ajv/dist/2020";
import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";

const root = new URL("../..", import.meta.url);

describe("docs/archive.schema.json", () => {
  const written = readFileSync(new URL("docs/archive.schema.json", root), "utf8");
  it("is current (npm run schema writes it)", () => expect(written).toBe(archiveJsonSchema()));
  it("accepts the version-1 fixture and refuses a wrong weight, by a general validator", () => {
    const validate = new Ajv({ strict: false }).compile(JSON.parse(written) as object);
    const fixture = JSON.parse(readFileSync(new URL("tests/fixtures/archive-v1.json", root), "utf8")) as {
      weighIns: { kg: unknown }[];
    };
    expect(validate(fixture)).toBe(true);
    fixture.weighIns[0]!.kg = "71.4";
    expect(validate(fixture)).toBe(false);
  });
});
