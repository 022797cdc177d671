/** Partners beneath the strip: value, place, what the gamut takes, and how far the other circle's partner is. */
import type { PartnerView } from "../../../api/client";
import { Check } from "../../../components/Check";
import { Halves } from "../../../components/Halves";
import styles from "./partners.module.css";

interface Props {
  partners: { key: string; partner: PartnerView; words: string }[];
  taken: ReadonlySet<string>;
  other: string;
  onToggle: (key: string) => void;
}

export function PartnerRow({ partners, taken, other, onToggle }: Props) {
  return (
    <div className={styles.partners} data-testid="partners">
      {partners.map(({ key, partner, words }) => (
        // biome-ignore lint/a11y/noLabelWithoutControl: the box is in it
        <label key={key} className={styles.partner} data-partner={partner.hex}>
          <Check checked={taken.has(key)} onChange={() => onToggle(key)} />
          <Halves
            one={partner.seen}
            other={partner.other.seen}
            words={`${partner.hex} beside ${partner.other.hex} of the ${other} circle`}
          />
          <span>
            <strong className={styles.value}>{partner.text}</strong> {words}, L* {partner.lightness}
            <br />
            <span className={styles.quiet}>
              {partner.clipped && `${partner.clipped}; `}on the {other} circle {partner.other.hex}, CIEDE2000{" "}
              {partner.apart}
            </span>
          </span>
        </label>
      ))}
    </div>
  );
}
