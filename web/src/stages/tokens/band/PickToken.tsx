/** What stands on a ground, each to be selected: a button that is drawn as what it is. */
import type { CSSProperties, ReactNode } from "react";
import type { TokenView } from "../../../api/client";
import { entryOfEditor, focusSoon } from "../../../util/focus";
import styles from "../band.module.css";

export type Tokens = ReadonlyMap<string, TokenView>;

/** What all that stands on a ground is drawn with. */
export interface Shared {
  tokens: Tokens;
  selected: string | null;
  onSelect: (key: string) => void;
}

export function PickToken({
  token,
  says,
  className = "",
  style,
  children,
  selected,
  onSelect,
}: {
  token: TokenView;
  /** What is said of it, besides what stands in it, to who does not see where it stands. */
  says?: string | undefined;
  className?: string;
  style?: CSSProperties;
  children?: ReactNode;
} & Shared) {
  return (
    <button
      type="button"
      className={`${styles.button} ${className}`}
      style={style}
      aria-pressed={token.key === selected}
      aria-label={children ? undefined : token.name}
      data-token={token.name}
      onClick={(event) => {
        onSelect(token.key);
        // Chosen by a key, the work goes on in its editor.
        if (event.detail === 0) focusSoon(entryOfEditor);
      }}
    >
      {says && <span className={styles.unseen}>{says} </span>}
      {children}
    </button>
  );
}
