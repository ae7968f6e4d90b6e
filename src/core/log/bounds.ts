// Bounds that more than one reader of the trainee's figures goes by: a record's schema, a form, a typed line.

/**
 * Body weights that are taken at all, kilograms: wide enough that a slip such as 18.4 for 81.4 can be kept, visibly,
 * out of the trend.
 */
export const [lightest, heaviest] = [10, 450];
/** What is believed of one session, minutes. */
export const [shortestSession, longestSession] = [1, 1440];
