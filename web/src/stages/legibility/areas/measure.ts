/** What stands on what in a laid out page: every text and part with its color, and what is painted behind it.
 *
 * Nothing is computed of colors here: they go to the server as the browser tells them, front to back. What is painted in
 * a way that is not read here (a group's opacity, a gradient, what could not be looked at) is said to be not known.
 */

export interface Met {
  /** What is read there, or the name of the part. */
  text: string;
  part: boolean;
  size: number;
  bold: boolean;
  color: string;
  /** Front to back; each with its color. */
  layers: string[][];
  /** A picture lies behind: what is read on it cannot be told. */
  picture: boolean;
  /** Why its contrast is not known; empty where it is. */
  unknown: string;
}

const MOST = 1500;
const SHAPES = "rect, circle, ellipse, path, polygon, line, polyline";
const CONTROLS = "button, input, select, textarea, [role=button], [role=checkbox], [role=switch]";
const NOT_SEEN = "outside of what is laid out, or covered";
const OPACITY = "opacity";
const GRADIENT = "a gradient";
const EFFECT = "a filter, mask or blend mode";
const COPIED = "a copied drawing";

export function metIn(page: Document): Met[] {
  const scrolled = [page.documentElement.scrollLeft, page.documentElement.scrollTop] as const;
  const passing = lettingThrough(page);
  try {
    return found(page);
  } finally {
    for (const [element, was] of passing) element.style.pointerEvents = was;
    view(page).scrollTo(...scrolled);
  }
}

function found(page: Document): Met[] {
  const met: Met[] = [];
  const walker = page.createTreeWalker(page.body ?? page.documentElement, NodeFilter.SHOW_TEXT);
  while (walker.nextNode() && met.length < MOST) {
    const node = walker.currentNode;
    const text = node.textContent?.trim() ?? "";
    const element = node.parentElement;
    if (!text || !element || ["STYLE", "SCRIPT", "TITLE", "DESC"].includes(element.tagName.toUpperCase()))
      continue;
    const range = page.createRange();
    range.selectNodeContents(node);
    const box = () => Array.from(range.getClientRects())[0] ?? null;
    const first = box();
    if (!first || first.width < 1 || first.height < 1) continue;
    const style = view(page).getComputedStyle(element);
    if (style.visibility === "hidden") continue;
    const svg = inDrawing(element);
    const own = svg && Number.parseFloat(style.fillOpacity) < 1 ? OPACITY : "";
    const behind = layersAt(page, element, box, !svg);
    met.push({
      text: text.slice(0, 60),
      part: false,
      size: Number.parseFloat(style.fontSize),
      bold: Number.parseInt(style.fontWeight, 10) >= 700,
      color: svg ? style.fill : style.color,
      ...behind,
      unknown: own || (svg && !plain(style.fill) ? GRADIENT : "") || behind.unknown,
    });
  }
  for (const element of page.querySelectorAll(`${SHAPES}, ${CONTROLS}`)) {
    if (met.length >= MOST) break;
    const part = partOf(page, element);
    if (part) met.push(part);
  }
  return met;
}

const view = (page: Document) => page.defaultView ?? window;
const inDrawing = (element: Element) => element.namespaceURI?.endsWith("svg") ?? false;
/** Whether a paint is a color and nothing else. */
const plain = (paint: string) => paint !== "none" && !paint.startsWith("url(");

/** What no pointer meets is painted all the same: it is let be met meanwhile. Returns what it said before. */
function lettingThrough(page: Document): [HTMLElement | SVGElement, string][] {
  const changed: [HTMLElement | SVGElement, string][] = [];
  for (const element of page.querySelectorAll<HTMLElement | SVGElement>("body *, svg, svg *")) {
    if (view(page).getComputedStyle(element).pointerEvents !== "none") continue;
    changed.push([element, element.style.pointerEvents]);
    element.style.pointerEvents = "auto";
  }
  return changed;
}

/** A shape of a drawing by its fill, a control by its edge or its ground, on what lies behind it. */
function partOf(page: Document, element: Element): Met | null {
  const box = element.getBoundingClientRect();
  const style = view(page).getComputedStyle(element);
  if (box.width < 6 || box.height < 6 || style.visibility === "hidden") return null;
  const svg = inDrawing(element);
  const edge = Number.parseFloat(style.borderTopWidth) > 0 ? style.borderTopColor : style.backgroundColor;
  const filled = style.fill !== "none";
  const color = svg ? (filled ? style.fill : style.stroke) : edge;
  if (!color || color === "none" || color.startsWith("url(") || seeThrough(color)) return null;
  const name = element.id || element.getAttribute("aria-label") || element.tagName.toLowerCase();
  const behind = layersAt(page, element, () => element.getBoundingClientRect(), false);
  const opacity = Number.parseFloat(filled ? style.fillOpacity : style.strokeOpacity);
  return {
    text: name.slice(0, 60),
    part: true,
    size: 0,
    bold: false,
    color,
    ...behind,
    unknown: (svg && opacity < 1 ? OPACITY : "") || behind.unknown,
  };
}

/** What is painted behind an element in the middle of its box; `own` is whether its own ground is behind it too. */
function layersAt(page: Document, element: Element, box: () => DOMRect | null, own: boolean) {
  const all = metAt(page, element, box);
  const at = all.indexOf(element);
  const layers: string[][] = [];
  let picture = false;
  const covered = all.slice(0, Math.max(at, 0)).some((each) => !element.contains(each) && paints(page, each));
  let unknown = at < 0 || covered ? NOT_SEEN : effectOn(page, element);
  for (const each of at < 0 ? [] : all.slice(at + (own ? 0 : 1))) {
    const style = view(page).getComputedStyle(each);
    if (
      /url\(/.test(style.backgroundImage) ||
      ["IMG", "IMAGE", "VIDEO", "CANVAS"].includes(each.tagName.toUpperCase())
    ) {
      picture = true;
      break;
    }
    const { color, why } = groundOf(each, style);
    if (why || color) unknown ||= why || effectOn(page, each);
    if (unknown) break;
    if (color) layers.push([color]);
    if (color && opaque(color)) break;
  }
  return { layers: layers.slice(0, 12), picture, unknown: picture ? "" : unknown };
}

/** What lies at the middle of a box, front to back: what the window does not show is brought into it. */
function metAt(page: Document, element: Element, box: () => DOMRect | null): Element[] {
  const look = () => {
    const at = box();
    return at ? page.elementsFromPoint(at.left + at.width / 2, at.top + at.height / 2) : [];
  };
  const here = look();
  if (here.includes(element)) return here;
  const at = box();
  const window = view(page);
  // Of this window alone: bringing an element into view would move the page around it too.
  if (at)
    window.scrollBy({
      left: at.left + at.width / 2 - window.innerWidth / 2,
      top: at.top + at.height / 2 - window.innerHeight / 2,
      behavior: "instant",
    });
  return look();
}

/** The color that an element paints where it stands, or why that is not known. */
function groundOf(element: Element, style: CSSStyleDeclaration): { color: string; why: string } {
  if (element.tagName.toLowerCase() === "use") return { color: "", why: COPIED };
  if (element.matches(SHAPES)) {
    if (style.fill === "none") return { color: "", why: "" };
    if (!plain(style.fill)) return { color: "", why: GRADIENT };
    if (Number.parseFloat(style.fillOpacity) < 1) return { color: "", why: OPACITY };
    return { color: style.fill, why: "" };
  }
  if (style.backgroundImage.includes("gradient")) return { color: "", why: GRADIENT };
  return { color: seeThrough(style.backgroundColor) ? "" : style.backgroundColor, why: "" };
}

/** Whether an element paints anything over what lies behind it. */
function paints(page: Document, element: Element): boolean {
  const style = view(page).getComputedStyle(element);
  const { color, why } = groundOf(element, style);
  return color !== "" || why !== "" || style.backgroundImage !== "none";
}

/** Why what an element paints is not what is seen: the element, or a group that it is in, is changed as a whole. */
function effectOn(page: Document, element: Element): string {
  for (let at: Element | null = element; at; at = at.parentElement) {
    const style = view(page).getComputedStyle(at);
    if (Number.parseFloat(style.opacity || "1") < 1) return OPACITY;
    const effects = [style.filter, style.backdropFilter, style.maskImage, style.clipPath];
    if (effects.some((each) => each && each !== "none") || (style.mixBlendMode || "normal") !== "normal")
      return EFFECT;
  }
  return "";
}

const alphaOf = (color: string): number => {
  const slash = /\/\s*([0-9.]+)\s*\)$/.exec(color) ?? /^rgba\([^,]+,[^,]+,[^,]+,\s*([0-9.]+)\)$/.exec(color);
  return slash?.[1] ? Number.parseFloat(slash[1]) : 1;
};
const seeThrough = (color: string) => color === "transparent" || alphaOf(color) === 0;
const opaque = (color: string) => alphaOf(color) === 1;
