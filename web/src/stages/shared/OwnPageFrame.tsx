/** The page of the team's own in a frame in which nothing runs, given the colors of the tokens whenever they change. */
import { useEffect, useRef, useState } from "react";
import type { OwnColorsView } from "../../api/client";
import { useSteady } from "../../util/useSteady";
import { useKnown } from "../../workspace/hooks";

interface Props {
  slug: string;
  height?: number | string;
  /** Once it is laid out with the colors as they are now. */
  onDrawn?: (page: Document) => void;
}

export function OwnPageFrame({ slug, height = 520, onDrawn }: Props) {
  const colors = useKnown(({ parts }) => parts?.own_colors);
  const frame = useRef<HTMLIFrameElement>(null);
  const [loaded, setLoaded] = useState(0);
  const drawn = useSteady((page: Document) => onDrawn?.(page));
  useEffect(() => {
    const page = loaded > 0 ? frame.current?.contentDocument : null;
    const view = page?.defaultView;
    if (!page || !view || !colors) return;
    // A sheet belongs to the document that it was made in. Its rules come before those of the page itself.
    const sheet = new view.CSSStyleSheet();
    sheet.replaceSync(sheetOf(colors));
    page.adoptedStyleSheets = [sheet];
    const painted = requestAnimationFrame(() => drawn(page));
    return () => cancelAnimationFrame(painted);
  }, [colors, loaded, drawn]);
  return (
    <iframe
      ref={frame}
      title="The team’s own page"
      data-testid="own-page"
      src={`/api/systems/${encodeURIComponent(slug)}/own-page`}
      sandbox="allow-same-origin"
      style={{ border: "1px solid", height, width: "100%" }}
      onLoad={() => setLoaded((before) => before + 1)}
    />
  );
}

/** The theme that is shown on the whole page, and each of all on what says so by `data-theme`. */
function sheetOf(themes: OwnColorsView[]): string {
  const rules = themes.map(({ theme, scheme, shown, properties }) => {
    const values = Object.entries(properties).map(([name, color]) => `--${name}: ${color};`);
    const selector = `[data-theme=${JSON.stringify(theme)}]`;
    return `${shown ? `:root, ${selector}` : selector} { color-scheme: ${scheme}; ${values.join(" ")} }`;
  });
  return rules.join("\n");
}
