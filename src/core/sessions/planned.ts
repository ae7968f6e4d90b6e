import type { TrainingSet } from "../log/kinds/sessions";

/**
 * Whether anything was asked of a set. A set added on the day, to be done as it comes, has a plan that says nothing.
 */
export function hasPlan({ planned }: Pick<TrainingSet, "planned">): boolean {
  return planned != null && Object.values(planned).some((value) => value != null);
}
