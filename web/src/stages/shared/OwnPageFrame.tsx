/** The page of the team's own in a frame in which nothing runs, given the colors of the tokens whenever they change. */
import { useEffect, useRef, useState } from "react";
import { useSteady } from "../../util/useSteady";
import { usePart } from "../../workspace/hooks";

interface Props {
  slug: string;
  height?: number;
  /** Once it is laid out with the colors as they are now. */
  onDrawn?: (page: Document) => void;
}

export function OwnPageFrame({ slug, height = 520, onDrawn }: Props) {
  const tokens = usePart("tokens");
  const scheme = usePart("head", (head) => head.theme?.scheme ?? "light");
  const frame = useRef<HTMLIFrameElement>(null);
  const [loaded, setLoaded] = useState(0);
  const drawn = useSteady((page: Document) => onDrawn?.(page));
  useEffect(() => {
    const page = loaded > 0 ? frame.current?.contentDocument : null;
    if (!page) return;
    const root = page.documentElement;
    root.style.colorScheme = scheme;
    for (const token of tokens) {
      if (!token.internal) root.style.setProperty(`--${token.css}`, withAlpha(token.seen, token.alpha));
    }
    const painted = requestAnimationFrame(() => drawn(page));
    return () => cancelAnimationFrame(painted);
  }, [tokens, scheme, loaded, drawn]);
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

const withAlpha = (hex: string, alpha: number) =>
  alpha === 1
    ? hex
    : hex +
      Math.round(alpha * 255)
        .toString(16)
        .padStart(2, "0");
