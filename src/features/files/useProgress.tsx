import type { MayStop } from "@/compute/archives";
import { LinkButton } from "@/ui/kit/LinkButton";
import { type ReactNode, useRef, useState } from "react";

/**
 * Long work of the worker's: `run` does it, `line` says meanwhile how far it is and lets it be stopped, and is null
 * otherwise.
 */
export function useProgress(doing: string): {
  line: ReactNode;
  run: <T>(work: (told: MayStop) => Promise<T>) => Promise<T>;
} {
  const [share, setShare] = useState<number | null>(null);
  const going = useRef(true);
  const run = async <T,>(work: (told: MayStop) => Promise<T>): Promise<T> => {
    going.current = true;
    setShare(0);
    try {
      return await work((done) => {
        setShare(done);
        return going.current;
      });
    } finally {
      setShare(null);
    }
  };
  const line =
    share === null ? null : (
      <p>
        {doing}, {Math.round(share * 100)} %{" "}
        <LinkButton
          onClick={() => {
            going.current = false;
          }}
        >
          Stop
        </LinkButton>
      </p>
    );
  return { line, run };
}
