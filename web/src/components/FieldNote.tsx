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
      <div
        role="status"
        className={styles.note}
        style={{
          right: `${window.innerWidth - (place?.right ?? 0)}px`,
          top: `${(place?.bottom ?? 0) + 2}px`,
        }}
      >
        {words}
      </div>
    </Portal>
  );
}
