/** All tokens as a compact field of swatches, edge to edge, in the designer's order: chosen, moved and removed in it. */
import { Box } from "@chakra-ui/react";
import { type MouseEvent, useState } from "react";
import type { TokenView } from "../../api/client";
import { edit } from "../../api/edits";
import { useWorkspace } from "../../workspace/hooks";
import { look, useLook } from "../../workspace/look";
import { ChosenTokens } from "./ChosenTokens";
import styles from "./field.module.css";
import { TokenName } from "./TokenName";

export function SwatchField({ tokens }: { tokens: TokenView[] }) {
  const select = useLook((at) => at.select);
  const { put } = useWorkspace();
  const [marked, setMarked] = useState<readonly string[]>([]);
  const [over, setOver] = useState<string | null>(null);
  const ids = tokens.map((token) => token.id);
  // What is gone meanwhile is chosen no longer.
  const chosen = ids.filter((id) => marked.includes(id));

  const click = (token: TokenView, event: MouseEvent) => {
    const from = tokens.findIndex((each) => each.key === select);
    if (event.shiftKey && from >= 0) {
      const to = ids.indexOf(token.id);
      setMarked(ids.slice(Math.min(from, to), Math.max(from, to) + 1));
    } else if (event.ctrlKey || event.metaKey) {
      const first = tokens[from]?.id;
      const before = chosen.length > 0 || first === undefined ? chosen : [first];
      setMarked(
        before.includes(token.id) ? before.filter((each) => each !== token.id) : [...before, token.id],
      );
    } else {
      setMarked([]);
      look({ select: token.key === select ? null : token.key });
    }
  };
  const drop = (before: string) => {
    setOver(null);
    const moving = dragged(chosen, select, tokens);
    if (moving.length > 0 && !moving.includes(before))
      void put(edit("move_tokens", { tokens: moving, before }));
  };
  return (
    <Box padding="0 20px 20px">
      <ChosenTokens tokens={tokens} chosen={chosen} onChoose={setMarked} />
      <div className={styles.field}>
        {tokens.map((token) => (
          <button
            type="button"
            key={token.id}
            className={styles.swatch}
            aria-pressed={token.key === select || chosen.includes(token.id)}
            data-token={token.name}
            data-over={over === token.id || undefined}
            style={{ background: token.seen, color: token.ink }}
            draggable
            onDragStart={(event) => {
              event.dataTransfer.setData("text/plain", token.name);
              if (!chosen.includes(token.id)) {
                setMarked([]);
                look({ select: token.key });
              }
            }}
            onDragOver={(event) => {
              event.preventDefault();
              setOver(token.id);
            }}
            onDragEnd={() => setOver(null)}
            onDrop={(event) => {
              event.preventDefault();
              drop(token.id);
            }}
            onClick={(event) => click(token, event)}
          >
            <TokenName token={token} />
            <span className={styles.value}>{token.hex}</span>
          </button>
        ))}
      </div>
    </Box>
  );
}

/** What a drag moves: all that is chosen, or the one selected. */
function dragged(chosen: readonly string[], select: string | null, tokens: TokenView[]): string[] {
  if (chosen.length > 0) return [...chosen];
  return tokens.flatMap((token) => (token.key === select ? [token.id] : []));
}
