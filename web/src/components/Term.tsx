/** A word of our own where it stands, dotted: explained by hover, focus and click. */
import { type KeyboardEvent, type ReactNode, useId, useState } from "react";
import styles from "./term.module.css";
import { WORDS, type Word } from "./words";

export function Term({ word, children }: { word: Word; children?: ReactNode }) {
  const [open, setOpen] = useState(false);
  const id = useId();
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key !== "Escape" || !open) return;
    event.preventDefault();
    setOpen(false);
  };
  return (
    <span className={styles.term}>
      <button
        type="button"
        className={styles.word}
        aria-describedby={id}
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        onBlur={() => setOpen(false)}
        onKeyDown={onKeyDown}
      >
        {children ?? word}
      </button>
      <span role="tooltip" id={id} className={open ? styles.open : styles.meaning}>
        {WORDS[word]}
      </span>
    </span>
  );
}
