/** Messages of a status: surface, text and mark as they stand together. */
import type { BandView } from "../../../api/client";
import styles from "../band.module.css";
import { messageOf } from "../samples";
import { Figure } from "./Figure";
import { PickToken, type Shared } from "./PickToken";

export function Messages({ messages, ...shared }: { messages: BandView["messages"] } & Shared) {
  const { tokens } = shared;
  if (messages.length === 0) return null;
  return (
    <div className={styles.messages}>
      {messages.map((message) => {
        const [surface, text, mark] = [message.surface, message.text, message.mark].map((id) =>
          tokens.get(id ?? ""),
        );
        const main = text ?? surface ?? mark;
        return (
          <div key={message.status} className={styles.message}>
            {mark && (
              <PickToken token={mark} className={styles.mark} style={{ background: mark.seen }} {...shared} />
            )}
            {main && (
              <PickToken
                token={main}
                className={styles.cell}
                style={{ background: surface?.seen ?? "transparent", color: surface?.ink ?? "inherit" }}
                says={main.name}
                {...shared}
              >
                <span className={styles.name} data-sample style={{ color: text?.seen ?? "inherit" }}>
                  {messageOf(message.status)}
                </span>
                <Figure row={message} ink={text?.seen ?? "currentColor"} />
              </PickToken>
            )}
            {surface && text && (
              <PickToken
                token={surface}
                className={styles.mark}
                style={{ background: surface.seen, color: surface.ink }}
                {...shared}
              />
            )}
          </div>
        );
      })}
    </div>
  );
}
