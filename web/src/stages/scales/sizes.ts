/** Measures that the ladder, the promises and the rows share, in CSS pixels. */
export const LABELS_WIDTH = 126;
const TALLEST_ROW = 48;
const LOWEST_ROW = 30;
/** What is left for rows on a page of 1280 × 800. */
const ROOM = 460;
export const GROUP_GAP = 8;

/** The line of what to do next, where it stands. */
export const NEXT_LINE = 50;
/** Rows are as tall as lets all of them stand without scrolling, within what can be read. */
export const rowHeight = (hues: number, groups: number, taken = 0) =>
  Math.min(
    Math.max(
      Math.floor((ROOM - taken - GROUP_GAP * Math.max(groups - 1, 0)) / Math.max(hues, 1)),
      LOWEST_ROW,
    ),
    TALLEST_ROW,
  );
/** From this number of columns, a step is narrower than its text. */
export const DENSE_COLUMNS = 12;
