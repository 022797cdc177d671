/** Taps that follow one another within this are one change. */
export const RUN_MS = 300;
