/** Where the focus goes on. */

/** How long something is waited for that is still being drawn or loaded. */
const LONGEST_MS = 5000;
/** What closes gives the focus back in the next moments; what was asked for is given it again after that. */
const HELD_MS = 120;

let newest = 0;

/** Focus an element as soon as it is there. What is asked for last is what counts. */
export function focusSoon(find: () => HTMLElement | null) {
  newest += 1;
  const mine = newest;
  const began = performance.now();
  let found = 0;
  const look = () => {
    const now = performance.now();
    if (mine !== newest || now - began > LONGEST_MS) return;
    const element = find();
    if (element) {
      found ||= now;
      if (document.activeElement !== element) element.focus();
      element.scrollIntoView({ block: "nearest" });
      if (now - found > HELD_MS) return;
    }
    requestAnimationFrame(look);
  };
  requestAnimationFrame(look);
}

/** An element of a selector. */
export const found = (selector: string) => () => document.querySelector<HTMLElement>(selector);

const REACHED =
  "a[href], button:not(:disabled), input:not(:disabled):not([hidden]), textarea:not(:disabled), select:not(:disabled), [tabindex]";

export const reachedIn = (root: ParentNode) =>
  [...root.querySelectorAll<HTMLElement>(REACHED)].filter(
    (element) => element.tabIndex >= 0 && element.getClientRects().length > 0,
  );

/** What Tab comes to first in the sheet of a stage: the selected color, where that is there. */
export const entryOfSheet = () => {
  const sheet = document.querySelector<HTMLElement>("[data-sheet]");
  if (!sheet) return document.querySelector<HTMLElement>("main");
  if (sheet.matches("[data-entry]")) return sheet;
  const entry =
    sheet.querySelector<HTMLElement>("[data-entry]") ??
    sheet.querySelector<HTMLElement>('button[data-drag], [data-token][tabindex="0"]');
  return entry ?? reachedIn(sheet)[0] ?? sheet;
};

/** The same of a stage that is being gone to, once it is the one that is shown. */
export const entryOfStage = (stage: string) => () =>
  document.querySelector(`[data-sheet="${CSS.escape(stage)}"]`) ? entryOfSheet() : null;

/** The same, once the sheet is there at all: of a system that is only being opened. */
export const entryOfOpenedSheet = () => (document.querySelector("[data-sheet]") ? entryOfSheet() : null);

/** The first field of the editor that is unfolded for what is selected. */
export const entryOfEditor = () => {
  const editor = document.querySelector("[data-testid=token-editor], [data-testid=hue-editor]");
  return editor ? (reachedIn(editor)[0] ?? null) : null;
};
