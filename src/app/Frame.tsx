"use client";

import { Shell } from "@/ui/shell/Shell";
import dynamic from "next/dynamic";
import type { ReactNode } from "react";

const FirstRun = dynamic(() => import("@/features/firstRun/FirstRun").then((module) => module.FirstRun), {
  ssr: false,
});

/** The shell with the first-run page behind it. */
export function Frame({ children }: { children: ReactNode }) {
  return <Shell firstRun={(actions) => <FirstRun actions={actions} />}>{children}</Shell>;
}
