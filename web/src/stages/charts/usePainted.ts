/** The colors of a palette for the marks of charts, as rules of a sheet of their own: a drag changes the rules of the
 * colors that move, and the browser looks at the marks of these alone. */
import { useId, useLayoutEffect, useRef } from "react";
import type { PaletteView } from "../../api/client";

const rulesOf = (scope: string, name: string, color: string) => [
  `.${scope} .fill-${name} { fill: ${color} }`,
  `.${scope} .stroke-${name} { stroke: ${color} }`,
];

/** The class inside of which marks have a palette's colors, and a gray where it says nothing of what has none. */
export function usePainted({ colors, others }: PaletteView, gray: string): string {
  const scope = `painted-${useId().replace(/\W/g, "")}`;
  const sheet = useRef<CSSStyleSheet | null>(null);
  const shown = useRef<string[]>([]);
  useLayoutEffect(() => {
    const made = new CSSStyleSheet();
    document.adoptedStyleSheets = [...document.adoptedStyleSheets, made];
    sheet.current = made;
    return () => {
      document.adoptedStyleSheets = document.adoptedStyleSheets.filter((each) => each !== made);
      sheet.current = null;
      shown.current = [];
    };
  }, []);
  useLayoutEffect(() => {
    const muted = others.find((each) => each.role === "muted")?.seen ?? gray;
    const wanted = [muted, ...colors.map((color) => color.seen)];
    const before = shown.current;
    shown.current = wanted;
    if (before.length !== wanted.length) {
      const rules = wanted.flatMap((color, at) => rulesOf(scope, at === 0 ? "muted" : `${at - 1}`, color));
      sheet.current?.replaceSync(rules.join("\n"));
      return;
    }
    for (const [at, color] of wanted.entries()) {
      if (before[at] === color) continue;
      for (const [rule, property] of [
        [2 * at, "fill"],
        [2 * at + 1, "stroke"],
      ] as const) {
        (sheet.current?.cssRules[rule] as CSSStyleRule | undefined)?.style.setProperty(property, color);
      }
    }
  }, [colors, others, gray, scope]);
  return scope;
}
