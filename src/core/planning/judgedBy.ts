/** What a phase can be judged by, in the order in which it is offered. */
export const judgedBy = ["weight", "e1rm", "bestTime", "sessions", "measure"] as const;
