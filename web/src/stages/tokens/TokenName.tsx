/** A token's name, with its marks: internal in italics, deprecated struck through, unpublished with a small circle. */
import type { TokenView } from "../../api/client";
import { Unpublished } from "../../components/Unpublished";
import styles from "./band.module.css";

export function TokenName({ token, words }: { token: TokenView; words?: string }) {
  const marks = [styles.name, token.internal ? styles.internal : "", token.deprecated ? styles.gone : ""];
  return (
    <span className={marks.filter(Boolean).join(" ")} title={token.name}>
      {words ?? token.name} {token.changed && <Unpublished />}
    </span>
  );
}
