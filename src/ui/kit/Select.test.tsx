import { renderToStaticMarkup } from "react-dom/server";
import { expect, it } from "vitest";
import { Select } from "./Select";

it("what holds a list's place until it has come is named by what it is of and by what it shows", () => {
  const options = [
    { value: "1", label: "Rower" },
    { value: "2", label: "Training partner" },
  ] as const;
  const held = (value: "1" | "2" | null) =>
    renderToStaticMarkup(
      <Select label="Whose log" placeholder="nobody's" value={value} options={options} onChange={() => {}} />,
    );
  expect(held("2")).toMatch(/aria-label="Whose log: Training partner".*>Training partner</);
  expect(held(null)).toMatch(/aria-label="Whose log: nobody&#x27;s".*>nobody&#x27;s</);
});
