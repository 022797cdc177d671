/** Messages over the sheet that let a person choose: what each says, and what each choice does. */
import type { Problem } from "../api/client";
import type { Notice } from "./known";

type Act = () => void;

/** Somebody was faster: both changes are told, and either can be chosen. */
export const bothChanges = (
  conflict: NonNullable<Problem["conflict"]>,
  words: string,
  close: Act,
  mine: Act,
): Notice => ({
  words,
  actions: [
    { words: `Keep ${conflict.person}’s`, act: close },
    { words: "Apply mine on top", act: mine },
  ],
});

/** What cannot be taken back stands in the way of all that was done before: it can be passed over. */
export const toPassOver = (kind: "undo" | "redo", words: string, close: Act, pass: Act): Notice => ({
  words,
  actions: [
    { words: `Leave it, and ${kind} what was before`, act: pass },
    { words: "Close", act: close },
  ],
});

/** Somebody else's removal is told, with the way back. */
export const removedByOthers = (
  removal: { person: string; hues: string },
  close: Act,
  bringBack: Act,
): Notice => ({
  words: `${removal.person} has removed ${removal.hues}.`,
  actions: [
    { words: "Bring it back", act: bringBack },
    { words: "Close", act: close },
  ],
});
