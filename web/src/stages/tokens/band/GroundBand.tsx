/** A ground as a band of its own color, with what stands on it: live text, actions, messages, lines, colors for data. */

import { memo, type ReactNode, useRef } from "react";
import type { BandView } from "../../../api/client";
import { useRoving } from "../../../util/useRoving";
import styles from "../band.module.css";
import { TokenName } from "../TokenName";
import { Family } from "./Family";
import { Fills } from "./Fills";
import { Lines } from "./Lines";
import { Messages } from "./Messages";
import { PickToken, type Shared } from "./PickToken";
import { Strips } from "./Strips";
import { standing } from "./standing";
import { SharedRows, TextRow } from "./Texts";

interface Props extends Shared {
  band: BandView;
  folded: boolean;
  onFold: () => void;
  /** What unfolds below: the editor of a token that is chosen here. */
  below?: ReactNode;
}

export const GroundBand = memo(function GroundBand({ band, folded, onFold, below, ...shared }: Props) {
  const ground = band.ground ? shared.tokens.get(band.ground) : undefined;
  const title = ground ? `On ${ground.name}` : "On no ground";
  const paint = ground ? { background: ground.seen, color: ground.ink } : undefined;
  const { count, short } = standing(band);
  const name = ground ? (
    <PickToken token={ground} {...shared}>
      <TokenName token={ground} />
      <span className={styles.chain}>is {ground.chain}</span>
    </PickToken>
  ) : (
    <strong className={styles.small}>In no pairing</strong>
  );
  const fold = count > 0 && (
    <button type="button" className={styles.fold} aria-expanded={!folded} onClick={onFold}>
      {folded ? "Unfold" : "Fold"}
      <span className={styles.unseen}> what stands {title.toLowerCase()}</span>
    </button>
  );
  const section = useRef<HTMLElement>(null);
  const onKeyDown = useRoving(section, "[data-token]");
  return (
    <section
      ref={section}
      aria-label={title}
      className={styles.band}
      style={paint}
      data-band={ground?.name ?? ""}
      onKeyDown={onKeyDown}
    >
      {folded ? (
        <div className={styles.line}>
          {name}
          <span className={styles.small}>
            {count === 1 ? "1 token" : `${count} tokens`}
            {short > 0 ? `, ${short} short of what is needed` : count > 0 && ", all hold"}
          </span>
          {fold}
        </div>
      ) : (
        <>
          <div className={styles.grid}>
            <div>
              {name}
              {fold}
            </div>
            <Standing band={band} {...shared} />
          </div>
          {band.strips.length > 0 && <Strips band={band} {...shared} />}
        </>
      )}
      {below}
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
