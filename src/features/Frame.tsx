"use client";

import dynamic from "next/dynamic";
import type { ReactNode } from "react";
import { Shell } from "@/ui/shell/Shell";

const FirstRun = dynamic(() => import("./firstRun/FirstRun").then((module) => module.FirstRun), { ssr: false });

/** The shell with the first-run page behind it. */
export function Frame({ children }: { children: ReactNode }) {
  return <Shell firstRun={(hands) => <FirstRun hands={hands} />}>{children}</Shell>;
}
