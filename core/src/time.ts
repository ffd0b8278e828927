/** Spans of time. Milliseconds. */

/** A day of 24 hours. */
export const day = 86_400_000;
