"use client";

import type { ActivityKind } from "@/core/log/kinds/activityKinds";
import { createContext } from "react";

/** How the trainee has chosen to see kinds of activity, by their names in small letters. */
export const KindMarks = createContext<ReadonlyMap<string, Pick<ActivityKind, "mark" | "colour">>>(new Map());
