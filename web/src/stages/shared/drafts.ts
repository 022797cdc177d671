/** Drafts: what somebody has typed and not sent yet survives another stage and a reload, in this window. */
import { useCallback, useState } from "react";

const kept = (key: string): string => {
  try {
    return sessionStorage.getItem(key) ?? "";
  } catch {
    return "";
  }
};

/** Keep a draft, or forget it where nothing is left. A window that keeps nothing just forgets. */
export function keepDraft(key: string, text: string) {
  try {
    if (text) sessionStorage.setItem(key, text);
    else sessionStorage.removeItem(key);
  } catch {
    // Full, or not allowed: the text is still in its field.
  }
}

/** Where the text of a system's reading line is kept. */
export const readingDraft = (slug: string) => `heimat:reading:${slug}`;

/** A text that is kept while it is typed. */
export function useDraft(key: string): [string, (text: string) => void] {
  const [text, setText] = useState(() => kept(key));
  const set = useCallback(
    (next: string) => {
      setText(next);
      keepDraft(key, next);
    },
    [key],
  );
  return [text, set];
}
