import { messageOf } from "@/core/base/messageOf";
import { useState } from "react";

/** Work that ends in a file handed to the trainee: one at a time, and whatever goes wrong is told. */
export function useHandOut(): {
  out: (work: () => Promise<void>) => Promise<void>;
  busy: boolean;
  problem: string | null;
} {
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const out = async (work: () => Promise<void>) => {
    setBusy(true);
    setProblem(null);
    try {
      await work();
    } catch (error) {
      setProblem(`It could not be made: ${messageOf(error)} Nothing was changed.`);
    } finally {
      setBusy(false);
    }
  };
  return { out, busy, problem };
}
