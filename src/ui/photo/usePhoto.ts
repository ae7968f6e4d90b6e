"use client";

import { useEffect, useState } from "react";
import { useLog } from "../log/LogContext";

/**
 * Address of a photograph that is kept here, for as long as it is shown; null while it is fetched, "missing" when it is
 * not here.
 */
export function usePhoto(file: string): string | null {
  const { photo } = useLog();
  const [address, setAddress] = useState<string | null>(null);
  useEffect(() => {
    let shown: string | null = null;
    let left = false;
    void photo(file).then((bytes) => {
      if (left) return;
      shown = bytes === null ? null : URL.createObjectURL(new Blob([bytes]));
      setAddress(shown ?? "missing");
    });
    return () => {
      left = true;
      if (shown !== null) URL.revokeObjectURL(shown);
    };
  }, [file, photo]);
  return address;
}
