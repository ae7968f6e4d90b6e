import { name, open, shared, text } from "./fields";
import { byName, householdKind } from "./kind";

const schema = open({ ...shared, name, mark: text.nullish(), speedUnit: text.nullish() });

export const activityKinds = householdKind({
  schema,
  names: { one: "own kind", several: "own kinds" },
  refersTo: {},
  title: byName,
  changesSayWhich: false,
  lists: null,
  standIn: null,
});
