/** What stands on what in a laid out page: every text and part with its color, and what is painted behind it.
 *
 * Nothing is computed of colors here: they go to the server as the browser tells them, front to back.
 */

export interface Met {
  /** What is read there, or the name of the part. */
  text: string;
  part: boolean;
  size: number;
  bold: boolean;
  color: string;
  /** Front to back; each with the colors that it has somewhere: several for a gradient. */
  layers: string[][];
  /** A picture lies behind: what is read on it cannot be told. */
  picture: boolean;
}

const MOST = 1500;
const COLOR = /(?:rgba?|color|oklch|oklab|lab|lch|hsla?)\([^()]*\)|#[0-9a-f]{3,8}\b/gi;
const SHAPES = "rect, circle, ellipse, path, polygon, line, polyline";
const CONTROLS = "button, input, select, textarea, [role=button], [role=checkbox], [role=switch]";

export function metIn(page: Document): Met[] {
  const found: Met[] = [];
  const walker = page.createTreeWalker(page.body ?? page.documentElement, NodeFilter.SHOW_TEXT);
  while (walker.nextNode() && found.length < MOST) {
    const node = walker.currentNode;
    const text = node.textContent?.trim() ?? "";
    const element = node.parentElement;
    if (!text || !element || ["STYLE", "SCRIPT", "TITLE", "DESC"].includes(element.tagName.toUpperCase()))
      continue;
    const range = page.createRange();
    range.selectNodeContents(node);
    const [box] = Array.from(range.getClientRects());
    if (!box || box.width < 1 || box.height < 1) continue;
    const style = view(page).getComputedStyle(element);
    if (style.visibility === "hidden") continue;
    const svg = element.namespaceURI?.endsWith("svg") ?? false;
    const behind = layersAt(page, element, box, !svg);
    found.push({
      text: text.slice(0, 60),
      part: false,
      size: Number.parseFloat(style.fontSize),
      bold: Number.parseInt(style.fontWeight, 10) >= 700,
      color: faded(svg ? style.fill : style.color, opacityOf(page, element)),
      ...behind,
    });
  }
  for (const element of page.querySelectorAll(`${SHAPES}, ${CONTROLS}`)) {
    if (found.length >= MOST) break;
    const part = partOf(page, element);
    if (part) found.push(part);
  }
  return found;
}

const view = (page: Document) => page.defaultView ?? window;

/** A shape of a drawing by its fill, a control by its edge or its ground, on what lies behind it. */
function partOf(page: Document, element: Element): Met | null {
  const box = element.getBoundingClientRect();
  const style = view(page).getComputedStyle(element);
  if (box.width < 6 || box.height < 6 || style.visibility === "hidden") return null;
  const svg = element.namespaceURI?.endsWith("svg") ?? false;
  const edge = Number.parseFloat(style.borderTopWidth) > 0 ? style.borderTopColor : style.backgroundColor;
  const color = svg ? (style.fill === "none" ? style.stroke : style.fill) : edge;
  if (!color || color === "none" || color.startsWith("url(") || seeThrough(color)) return null;
  const name = element.id || element.getAttribute("aria-label") || element.tagName.toLowerCase();
  return {
    text: name.slice(0, 60),
    part: true,
    size: 0,
    bold: false,
    color: faded(color, opacityOf(page, element)),
    ...layersAt(page, element, box, false),
  };
}

/** What is painted behind an element in the middle of a box; `own` is whether its own ground is behind it too. */
function layersAt(page: Document, element: Element, box: DOMRect, own: boolean) {
  const all = page.elementsFromPoint(box.left + box.width / 2, box.top + box.height / 2);
  const at = all.indexOf(element);
  const layers: string[][] = [];
  let picture = false;
  for (const each of all.slice(at + (own ? 0 : 1))) {
    const style = view(page).getComputedStyle(each);
    const colors = groundOf(page, each, style);
    if (
      /url\(/.test(style.backgroundImage) ||
      ["IMG", "IMAGE", "VIDEO"].includes(each.tagName.toUpperCase())
    ) {
      picture = true;
    }
    if (colors.length > 0) layers.push(colors.map((color) => faded(color, opacityOf(page, each))));
    if (picture || (colors.length > 0 && colors.every(opaque) && opacityOf(page, each) === 1)) break;
  }
  return { layers: layers.slice(0, 12), picture };
}

function groundOf(page: Document, element: Element, style: CSSStyleDeclaration): string[] {
  if (element.matches(SHAPES)) {
    const gradient = /url\(["']?#([^"')]+)/.exec(style.fill)?.[1];
    if (gradient) {
      const stops = page.querySelectorAll(`#${CSS.escape(gradient)} stop`);
      return Array.from(stops).map((stop) => view(page).getComputedStyle(stop).stopColor);
    }
    return style.fill === "none" ? [] : [faded(style.fill, Number.parseFloat(style.fillOpacity))];
  }
  const stops = style.backgroundImage.includes("gradient") ? style.backgroundImage.match(COLOR) : null;
  if (stops) return stops.slice(0, 12);
  return seeThrough(style.backgroundColor) ? [] : [style.backgroundColor];
}

function opacityOf(page: Document, element: Element): number {
  let found = 1;
  for (let at: Element | null = element; at; at = at.parentElement) {
    found *= Number.parseFloat(view(page).getComputedStyle(at).opacity || "1");
  }
  return found;
}

const alphaOf = (color: string): number => {
  const slash = /\/\s*([0-9.]+)\s*\)$/.exec(color) ?? /^rgba\([^,]+,[^,]+,[^,]+,\s*([0-9.]+)\)$/.exec(color);
  return slash?.[1] ? Number.parseFloat(slash[1]) : 1;
};
const seeThrough = (color: string) => color === "transparent" || alphaOf(color) === 0;
const opaque = (color: string) => alphaOf(color) === 1;

/** A color with so much of its alpha. The browser tells `rgb(…)`, `rgba(…)`, or a function with a slash. */
function faded(color: string, opacity: number): string {
  if (opacity === 1) return color;
  const alpha = (alphaOf(color) * opacity).toFixed(4);
  const rgb = /^rgba?\(([^,]+),([^,]+),([^,)]+)/.exec(color);
  if (rgb) return `rgba(${rgb[1]},${rgb[2]},${rgb[3]}, ${alpha})`;
  return color.includes("/")
    ? color.replace(/\/[^)]*\)$/, `/ ${alpha})`)
    : color.replace(/\)$/, ` / ${alpha})`);
}
