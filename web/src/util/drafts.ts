/** Drafts: what somebody has typed or shaped and not sent yet survives another stage and a reload, in this window. */
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

/** A draft that is more than a text; null where none is kept, or what is kept cannot be read. */
export function draftOf<Draft>(key: string): Draft | null {
  try {
    return (JSON.parse(kept(key)) as Draft | null) ?? null;
  } catch {
    return null;
  }
}

/** What is drafted of a system, by what it is. */
export const draftKey = (what: string, slug: string) => `heimat:${what}:${slug}`;

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

/** Anything that is kept while it is shaped; null is nothing. */
export function useShapedDraft<Draft>(key: string): [Draft | null, (draft: Draft | null) => void] {
  const [shaped, setShaped] = useState(() => ({ key, draft: draftOf<Draft>(key) }));
  const set = useCallback(
    (draft: Draft | null) => {
      setShaped({ key, draft });
      keepDraft(key, draft === null ? "" : JSON.stringify(draft));
    },
    [key],
  );
  if (shaped.key === key) return [shaped.draft, set];
  const other = { key, draft: draftOf<Draft>(key) };
  setShaped(other);
  return [other.draft, set];
}
