/** All tokens as a compact field of swatches, edge to edge, in the designer's order. */
import { Box } from "@chakra-ui/react";
import type { TokenView } from "../../api/client";
import { look, useLook } from "../../workspace/look";
import styles from "./field.module.css";
import { TokenName } from "./TokenName";

export function SwatchField({ tokens }: { tokens: TokenView[] }) {
  const select = useLook((at) => at.select);
  return (
    <Box padding="0 20px 20px">
      <div className={styles.field}>
        {tokens.map((token) => (
          <button
            type="button"
            key={token.id}
            className={styles.swatch}
            aria-pressed={token.key === select}
            data-token={token.name}
            style={{ background: token.seen, color: token.ink }}
            onClick={() => look({ select: token.key === select ? null : token.key })}
          >
            <TokenName token={token} />
            <span className={styles.value}>{token.hex}</span>
          </button>
        ))}
      </div>
    </Box>
  );
}
