/** A specimen: a piece of the product drawn with the custom properties of the tokens alone, as a developer would. */
import { type CSSProperties, type MouseEvent, type ReactNode, useEffect } from "react";
import type { Parts } from "../../api/client";
import styles from "./specimen.module.css";

export type SpecimenTheme = Parts["specimen"]["themes"][number];

/** What was clicked: the purposes that color it, the innermost part first, and which part of the screen it is. */
export interface PickedPart {
  purposes: string[];
  place: string;
}

interface Props {
  specimen: Parts["specimen"];
  theme: SpecimenTheme | undefined;
  label: string;
  onPick?: (picked: PickedPart) => void;
  children: ReactNode;
}

/** Where a token stands in one place alone, its property stands in for that of the purpose there. */
const splitRules = ({ splits }: Parts["specimen"]) =>
  splits
    .map(
      (split) =>
        `[data-specimen] [data-place="${split.place}"] { ${split.property}: var(${split.instead}); }`,
    )
    .join("\n");

export function Specimen({ specimen, theme, label, onPick, children }: Props) {
  const pick = (event: MouseEvent) => {
    const target = event.target as Element;
    const purposes: string[] = [];
    let at = target.closest("[data-colors]");
    while (at && event.currentTarget.contains(at)) {
      purposes.push(...(at.getAttribute("data-colors") ?? "").split(" ").filter(Boolean));
      at = at.parentElement?.closest("[data-colors]") ?? null;
    }
    const place = target.closest("[data-place]")?.getAttribute("data-place") ?? "";
    if (purposes.length > 0) onPick?.({ purposes: [...new Set(purposes)], place });
  };
  const rules = splitRules(specimen);
  useEffect(() => {
    // Made as an object: the page's own policy lets no style be written into it.
    if (!rules) return;
    const sheet = new CSSStyleSheet();
    sheet.replaceSync(rules);
    document.adoptedStyleSheets = [...document.adoptedStyleSheets, sheet];
    return () => {
      document.adoptedStyleSheets = document.adoptedStyleSheets.filter((each) => each !== sheet);
    };
  }, [rules]);
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
