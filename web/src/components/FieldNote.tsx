/** What a small field has to say of what was typed: beside it, over what stands there, until something else is typed. */
import { Portal } from "@chakra-ui/react";
import { type RefObject, useEffect, useState } from "react";
import styles from "./field-note.module.css";

interface Props {
  beside: RefObject<HTMLElement | null>;
  words: string;
  onGone: () => void;
}

/** How long a note stands that nobody types away. */
const STANDS_MS = 8000;
/** What a note of two lines takes. */
const NEEDS_PX = 60;

/** Below the field, or above it where the window ends. */
function besideOf(field: DOMRect) {
  const right = `${window.innerWidth - field.right}px`;
  return field.bottom + NEEDS_PX < window.innerHeight
    ? { right, top: `${field.bottom + 2}px` }
    : { right, bottom: `${window.innerHeight - field.top + 2}px` };
}

export function FieldNote({ beside, words, onGone }: Props) {
  const [place] = useState(() => beside.current?.getBoundingClientRect());
  useEffect(() => {
    const gone = setTimeout(onGone, STANDS_MS);
    window.addEventListener("scroll", onGone, { capture: true, once: true });
    return () => {
      clearTimeout(gone);
      window.removeEventListener("scroll", onGone, { capture: true });
    };
  }, [onGone]);
  return (
    <Portal>
      <div role="status" className={styles.note} style={besideOf(place ?? new DOMRect())}>
        {words}
      </div>
    </Portal>
  );
}
