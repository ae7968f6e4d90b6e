// @vitest-environment happy-dom
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { hasUnsaved, watchTyping } from "./unsaved";

let leave = () => {};
beforeAll(() => {
  leave = watchTyping();
});
afterAll(() => leave());
beforeEach(() => {
  document.body.innerHTML = `<form id="form"><input id="field"><textarea id="text"></textarea></form><form role="search" id="entry"><input id="line"></form><input type="search" id="find"><input id="cell">`;
});

function type(id: string, value: string): void {
  const field = document.querySelector<HTMLInputElement>(`#${id}`)!;
  field.value = value;
  field.dispatchEvent(new Event("input", { bubbles: true }));
}
const submit = (id: string) => document.querySelector(`#${id}`)!.dispatchEvent(new Event("submit", { bubbles: true }));

describe("what would be lost with the page", () => {
  it("is what was typed in any field, until it is emptied or saved", () => {
    for (const id of ["field", "text", "cell"]) {
      expect(hasUnsaved()).toBe(false);
      type(id, "half");
      expect(hasUnsaved()).toBe(true);
      type(id, "");
    }
    type("field", "whole");
    submit("form");
    expect(hasUnsaved()).toBe(false);
  });
  it("is a quick-entry line also after Enter, as long as it stands there; a search never", () => {
    type("line", "squat 5x");
    submit("entry");
    expect(hasUnsaved()).toBe(true);
    type("line", "");
    type("find", "squat");
    expect(hasUnsaved()).toBe(false);
  });
  it("is not what a form holds that nobody has typed in", () => {
    document.querySelector<HTMLInputElement>("#field")!.value = "from the record";
    expect(hasUnsaved()).toBe(false);
  });
});
