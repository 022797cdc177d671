/** A ground as a band of its own color, with what stands on it: live text, actions, messages, lines, colors for data. */

import { memo, type ReactNode } from "react";
import type { BandView, RowView, TokenView } from "../../api/client";
import { hatch } from "../../components/hatch";
import styles from "./band.module.css";
import { messageOf, sampleOf } from "./samples";
import { TokenName } from "./TokenName";

export type Tokens = ReadonlyMap<string, TokenView>;

interface Shared {
  tokens: Tokens;
  selected: string | null;
  onSelect: (key: string) => void;
}

interface Props extends Shared {
  band: BandView;
  folded: boolean;
  onFold: () => void;
}

export const GroundBand = memo(function GroundBand({ band, folded, onFold, ...shared }: Props) {
  const ground = band.ground ? shared.tokens.get(band.ground) : undefined;
  const title = ground ? `On ${ground.name}` : "On no ground";
  const paint = ground ? { background: ground.seen, color: ground.ink } : undefined;
  const count =
    band.texts.length + band.shared.length + band.parts.length + band.families.length + band.messages.length;
  return (
    <section aria-label={title} className={styles.band} style={paint} data-band={ground?.name ?? ""}>
      <div className={styles.grid}>
        <div>
          {ground ? (
            <Pick token={ground} {...shared}>
              <TokenName token={ground} />
              <span className={styles.small} style={{ display: "block" }}>
                is {ground.chain}
              </span>
            </Pick>
          ) : (
            <strong className={styles.small}>In no pairing</strong>
          )}
          {count > 0 && (
            <button type="button" className={styles.fold} aria-expanded={!folded} onClick={onFold}>
              {folded ? "Unfold" : "Fold"}
              <span className={styles.unseen}> what stands {title.toLowerCase()}</span>
            </button>
          )}
        </div>
        {!folded && <Standing band={band} {...shared} />}
      </div>
      {!folded && band.strips.length > 0 && <Strips band={band} {...shared} />}
    </section>
  );
});

function Standing({ band, ...shared }: { band: BandView } & Shared) {
  const beside = band.families.length + band.messages.length + band.fills.length > 0;
  return (
    <>
      <div style={beside ? undefined : { gridColumn: "2 / -1" }}>
        {band.texts.map((row) => (
          <TextRow key={row.token} row={row} {...shared} />
        ))}
        <SharedRows rows={band.shared} on={shared.tokens.get(band.ground ?? "")?.name ?? ""} {...shared} />
        <Lines rows={band.parts} {...shared} />
      </div>
      <div>
        {band.families.map((family) => (
          <Family key={family.family} family={family} {...shared} />
        ))}
        <Messages messages={band.messages} {...shared} />
        <Fills rows={band.fills} {...shared} />
      </div>
    </>
  );
}

function Pick({
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
  style?: React.CSSProperties;
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
      onClick={() => onSelect(token.key)}
    >
      {says && <span className={styles.unseen}>{says} </span>}
      {children}
    </button>
  );
}

/** A color with its alpha, as it lies on what is under it. */
const painted = ({ seen, alpha }: TokenView) =>
  alpha === 1
    ? seen
    : `${seen}${Math.round(alpha * 255)
        .toString(16)
        .padStart(2, "0")}`;

/** What a pairing reads; hatched in the color of what falls short. */
function Figure({
  row,
  ink,
}: {
  row: Pick<RowView, "reads" | "holds"> & { needed?: string | null };
  ink: string;
}) {
  return (
    <span className={styles.figure}>
      {row.holds === false && (
        <span
          role="img"
          aria-label={row.needed ? `fails: needs ${row.needed}` : "fails"}
          title={row.needed ? `needs ${row.needed}` : "falls short"}
          className={styles.hatched}
          style={{ background: hatch(ink) }}
        />
      )}
      {row.reads}
    </span>
  );
}

function TextRow({ row, ...shared }: { row: RowView } & Shared) {
  const token = shared.tokens.get(row.token);
  if (!token) return null;
  return (
    <Pick token={token} className={styles.row} {...shared}>
      <span
        data-sample
        className={styles.sample}
        style={{
          color: token.seen,
          fontWeight: token.shape === "strong text" ? 700 : 400,
          textDecoration: token.shape === "link" ? "underline" : "none",
        }}
      >
        {sampleOf(token.purpose)}
      </span>
      <TokenName token={token} />
      <Figure row={row} ink={token.seen} />
    </Pick>
  );
}

/** What stands whole on another ground: in one line, with what it reads here. */
function SharedRows({ rows, on, ...shared }: { rows: RowView[]; on: string } & Shared) {
  if (rows.length === 0) return null;
  return (
    <div className={styles.shared}>
      {rows.map((row) => {
        const token = shared.tokens.get(row.token);
        if (!token) return null;
        return (
          <Pick key={row.token} token={token} says={`on ${on}`} {...shared}>
            <span className={styles.small} style={{ alignItems: "center", display: "inline-flex", gap: 5 }}>
              <span data-sample style={{ color: token.seen }}>
                {token.shape === "line" || token.shape === "icon" ? "● " : ""}
                <TokenName token={token} />
              </span>
              <Figure row={row} ink={token.seen} />
            </span>
          </Pick>
        );
      })}
    </div>
  );
}

function Family({ family, ...shared }: { family: BandView["families"][number] } & Shared) {
  const { tokens } = shared;
  return (
    <div style={{ marginBottom: 6 }}>
      <span className={styles.small}>action.{family.family}</span>
      <div className={styles.flush}>
        {family.states.map((state) => {
          const [fill, label, border] = [state.fill, state.label, state.border].map((id) =>
            tokens.get(id ?? ""),
          );
          const token = fill ?? border ?? label;
          if (!token) return null;
          return (
            <Pick
              key={state.words}
              token={token}
              says={token.name}
              className={`${styles.cell} ${styles.edge}`}
              style={{
                background: fill?.seen ?? "transparent",
                color: fill?.ink ?? "inherit",
                borderColor: border?.seen ?? "transparent",
              }}
              {...shared}
            >
              <span className={styles.name} data-sample style={{ color: label?.seen ?? "inherit" }}>
                {state.words}
              </span>
              <Figure row={state} ink={label?.seen ?? "currentColor"} />
            </Pick>
          );
        })}
      </div>
      <PartNames family={family} {...shared} />
    </div>
  );
}

/** Labels and edges of a family, each to be selected by itself. */
function PartNames({ family, ...shared }: { family: BandView["families"][number] } & Shared) {
  // What is drawn as a state already is not named twice.
  const drawn = new Set(family.states.map((state) => state.fill ?? state.border ?? state.label));
  const all = family.states.flatMap((state) => [state.label, state.border]);
  const ids = [...new Set(all)].filter((id) => !drawn.has(id));
  const prefix = `action.${family.family}.`;
  return (
    <div className={styles.shared}>
      {ids.map((id) => {
        const token = shared.tokens.get(id ?? "");
        if (!token) return null;
        return (
          <Pick key={token.id} token={token} says={prefix} {...shared}>
            <TokenName token={token} words={token.name.replace(prefix, "")} />
          </Pick>
        );
      })}
    </div>
  );
}

function Messages({ messages, ...shared }: { messages: BandView["messages"] } & Shared) {
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
              <Pick token={mark} className={styles.mark} style={{ background: mark.seen }} {...shared}></Pick>
            )}
            {main && (
              <Pick
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
              </Pick>
            )}
            {surface && text && (
              <Pick
                token={surface}
                className={styles.mark}
                style={{ background: surface.seen, color: surface.ink }}
                {...shared}
              ></Pick>
            )}
          </div>
        );
      })}
    </div>
  );
}

function Fills({ rows, ...shared }: { rows: RowView[] } & Shared) {
  if (rows.length === 0) return null;
  return (
    <div className={styles.flush} style={{ flexWrap: "wrap" }}>
      {rows.map((row) => {
        const token = shared.tokens.get(row.token);
        if (!token) return null;
        return (
          <Pick
            key={row.token}
            token={token}
            className={styles.cell}
            style={{
              flexBasis: 120,
              ...(token.alpha < 1
                ? { borderLeft: `36px solid ${painted(token)}` }
                : { background: token.seen, color: token.ink }),
            }}
            {...shared}
          >
            <TokenName token={token} />
            <span className={styles.small}>{token.chain}</span>
          </Pick>
        );
      })}
    </div>
  );
}

function Lines({ rows, ...shared }: { rows: RowView[] } & Shared) {
  if (rows.length === 0) return null;
  return (
    <div className={styles.lines}>
      {rows.map((row) => {
        const token = shared.tokens.get(row.token);
        if (!token) return null;
        const line = token.shape === "line";
        return (
          <Pick
            key={row.token}
            token={token}
            className={line ? styles.line : styles.icon}
            style={line ? { borderColor: token.seen } : undefined}
            {...shared}
          >
            {!line && (
              <svg width="14" height="14" aria-hidden="true">
                <circle cx="7" cy="7" r="6" fill={token.seen} />
              </svg>
            )}
            <TokenName token={token} />{" "}
            <span className={styles.small}>
              <Figure row={row} ink={token.seen} />
            </span>
          </Pick>
        );
      })}
    </div>
  );
}

/** Colors for data, edge to edge. */
function Strips({ band, ...shared }: { band: BandView } & Shared) {
  return (
    <div className={styles.strips} style={{ marginTop: 8 }}>
      {band.strips.map((strip) => (
        <div key={strip.words}>
          <span className={styles.small}>chart: {strip.words}</span>
          <div className={styles.flush}>
            {strip.tokens.map((id) => {
              const token = shared.tokens.get(id);
              if (!token) return null;
              return (
                <Pick
                  key={id}
                  token={token}
                  says={token.name}
                  className={styles.cell}
                  style={{ background: token.seen, color: token.ink }}
                  {...shared}
                >
                  <TokenName token={token} words={token.name.split(".").at(-1) ?? token.name} />
                </Pick>
              );
            })}
          </div>
        </div>
      ))}
    </div>
  );
}
