"use client";

import { createContext } from "react";

/** The day a week begins on in the trainee's log, Monday 1 to Sunday 7. */
export const WeekStart = createContext(1);
