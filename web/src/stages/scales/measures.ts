/** Measures that the ladder, the promises and the rows share, in CSS pixels. */
export const LABELS_WIDTH = 126;
export const ROW_HEIGHT = 48;
/** From this number of columns, a step is narrower than its text. */
export const DENSE_COLUMNS = 12;
