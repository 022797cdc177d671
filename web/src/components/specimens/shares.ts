/**
 * The shares of a drawn specimen: how much of it is painted in each custom property. Grounds are sampled point by point
 * from what is on top there; of text only the glyphs count, as drawn by the same font.
 */

/** Distance between two points that are sampled, in CSS pixels. */
const GRID = 4;

/** Areas by color, as CSS writes it, in CSS pixels: of all, and of what can be acted on among it. */
export interface Areas {
  all: Map<string, number>;
  acting: Map<string, number>;
}

/** What is painted as a ground, and what as a text: one color may be both. */
export interface Painted {
  fills: Areas;
  texts: Areas;
}

const none = (): Areas => ({ all: new Map(), acting: new Map() });

export function paintedAreas(root: HTMLElement): Painted {
  const [fills, texts] = [none(), none()];
  const box = root.getBoundingClientRect();
  const boxes = [...root.querySelectorAll<HTMLElement>("*")].map((element) => ({
    element,
    box: element.getBoundingClientRect(),
    color: getComputedStyle(element).backgroundColor,
  }));
  const opaque = boxes.filter((each) => !each.color.endsWith(", 0)") && each.color !== "transparent");
  for (let y = box.top + GRID / 2; y < box.bottom; y += GRID) {
    for (let x = box.left + GRID / 2; x < box.right; x += GRID) {
      // In the order of the document, the last one that covers a point lies on top.
      let top: (typeof opaque)[number] | undefined;
      for (const each of opaque) if (covers(each.box, x, y)) top = each;
      if (top) add(fills, top.color, GRID * GRID, top.element);
    }
  }
  const walker = document.createTreeWalker(root, NodeFilter.SHOW_TEXT);
  const canvas = document.createElement("canvas").getContext("2d", { willReadFrequently: true });
  for (let node = walker.nextNode(); node; node = walker.nextNode()) {
    const parent = node.parentElement;
    const text = node.textContent ?? "";
    if (!parent || !canvas || text.trim() === "") continue;
    const style = getComputedStyle(parent);
    const ink = inkOf(canvas, text, `${style.fontWeight} ${style.fontSize} ${style.fontFamily}`);
    add(texts, style.color, ink, parent);
    // What a glyph covers is no ground.
    const under = opaque.filter((each) => each.element.contains(parent)).at(-1);
    if (under) add(fills, under.color, -ink, under.element);
  }
  return { fills, texts };
}

const covers = (box: DOMRect, x: number, y: number) =>
  x >= box.left && x < box.right && y >= box.top && y < box.bottom;

function add({ all, acting }: Areas, color: string, area: number, element: HTMLElement) {
  all.set(color, (all.get(color) ?? 0) + area);
  if (element.closest("[data-acts]")) acting.set(color, (acting.get(color) ?? 0) + area);
}

/** The area of the glyphs of a text, in CSS pixels. */
function inkOf(canvas: CanvasRenderingContext2D, text: string, font: string): number {
  canvas.font = font;
  const width = Math.ceil(canvas.measureText(text).width);
  const height = 60;
  if (width === 0) return 0;
  canvas.canvas.width = width;
  canvas.canvas.height = height;
  canvas.font = font;
  canvas.fillText(text, 0, 44);
  const { data } = canvas.getImageData(0, 0, width, height);
  let sum = 0;
  for (let at = 3; at < data.length; at += 4) sum += data[at] as number;
  return sum / 255;
}
