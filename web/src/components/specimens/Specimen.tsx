/** A specimen: a piece of the product drawn with the custom properties of the tokens alone, as a developer would. */
import type { CSSProperties, MouseEvent, ReactNode } from "react";
import type { Parts } from "../../api/client";
import styles from "./specimen.module.css";

export type SpecimenTheme = Parts["specimen"]["themes"][number];

interface Props {
  theme: SpecimenTheme | undefined;
  label: string;
  /** Told the purposes that color what was clicked, the innermost part first. */
  onPick?: (purposes: string[]) => void;
  children: ReactNode;
}

export function Specimen({ theme, label, onPick, children }: Props) {
  const pick = (event: MouseEvent) => {
    const parts: string[] = [];
    let at = (event.target as Element).closest("[data-colors]");
    while (at && event.currentTarget.contains(at)) {
      parts.push(...(at.getAttribute("data-colors") ?? "").split(" ").filter(Boolean));
      at = at.parentElement?.closest("[data-colors]") ?? null;
    }
    if (parts.length > 0) onPick?.([...new Set(parts)]);
  };
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents: the tokens of a part are reached by keys in the bands and the finder
    <section
      aria-label={label}
      data-sample
      data-specimen={label}
      className={styles.specimen}
      style={{ ...(theme?.colors as CSSProperties), colorScheme: theme?.scheme }}
      onClick={pick}
    >
      {children}
    </section>
  );
}
