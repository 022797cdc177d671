/** What the matrix draws and hands over: which cells are drawn, how they are told, as CSV and as SVG. */
import type { MatrixView } from "../../../api/client";

export const CELL = { width: 46, height: 26 };
/** A sign of a name is hardly ever wider, in CSS pixels: in a picture, and in the typeface of the page on average. */
const SIGN = 7;
const USUAL_SIGN = 5.9;

/** A name in pieces that may stand under one another: each ends with the sign at which it is broken. */
export const pieces = (name: string) => name.match(/[^.\- ]+[.\- ]*|[.\- ]+/g) ?? [name];

const most = (figures: number[]) => Math.max(0, ...figures);

/** How wide columns and the side of names are, and how high the heads, so that every name is whole, in CSS pixels. */
export function measuresOf(matrix: MatrixView) {
  const heads = matrix.columns.map((column) => pieces(column.name).map((piece) => piece.trim().length));
  const column = Math.min(Math.max(most(heads.flat()) * USUAL_SIGN + 6, CELL.width), 96);
  const perLine = (column - 6) / USUAL_SIGN;
  const lines = heads.map((lengths) => {
    let [count, taken] = [1, 0];
    for (const length of lengths) {
      if (taken > 0 && taken + length > perLine) [count, taken] = [count + 1, 0];
      taken += length + 1;
    }
    return count;
  });
  const longest = most(matrix.rows.map((row) => row.name.length));
  return {
    column: Math.round(column),
    head: 12 + most(lines) * 15,
    side: Math.round(Math.min(Math.max(longest * USUAL_SIGN + 8, 70), 260)) + 84,
  };
}

/** The side of the corner in which a cell shows its foreground. */
export const CORNER = 9;

/** A ratio as the server cut it: hundredths. */
export const ratioText = (hundredths: number) => (hundredths / 100).toFixed(2);

export const GRADES = [
  { value: "all", words: "all grades", least: 0, below: Number.POSITIVE_INFINITY },
  { value: "aaa", words: "AAA", least: 700, below: Number.POSITIVE_INFINITY },
  { value: "aa", words: "AA", least: 450, below: 700 },
  { value: "large", words: "large", least: 300, below: 450 },
  { value: "under", words: "under 3", least: 0, below: 300 },
] as const;
export type GradeName = (typeof GRADES)[number]["value"];

export function csvOf(matrix: MatrixView): string {
  const quoted = (text: string) => (/[",\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text);
  const head = ["", ...matrix.columns.map((column) => `${column.name} ${column.hex}`)];
  const lines = matrix.rows.map((row, place) => [
    `${row.name} ${row.hex}`,
    ...(matrix.ratios[place] ?? []).map(ratioText),
  ]);
  return [head, ...lines].map((line) => line.map(quoted).join(",")).join("\n");
}

/** As it is on the screen: figures in ink, the foreground as a corner; what is declared is bold, and hatched where it
 * falls short. */
export function svgOf(matrix: MatrixView, least: number): string {
  const longest = (sides: MatrixView["rows"]) => Math.max(...sides.map((side) => side.name.length));
  const left = 80 + longest(matrix.rows) * SIGN;
  const top = 16 + longest(matrix.columns) * SIGN;
  const escaped = (text: string) =>
    text.replaceAll("&", "&amp;").replaceAll("<", "&lt;").replaceAll('"', "&quot;");
  const declared = new Map(matrix.declared.map((each) => [`${each.row} ${each.column}`, each]));
  const parts: string[] = [];
  matrix.columns.forEach((column, x) => {
    const at = left + x * CELL.width + CELL.width / 2;
    parts.push(
      `<text transform="translate(${at + 4} ${top - 6}) rotate(-90)">${escaped(column.name)}</text>`,
    );
  });
  matrix.rows.forEach((row, y) => {
    const at = top + y * CELL.height;
    parts.push(`<text x="4" y="${at + 18}">${escaped(row.name)} ${row.hex}</text>`);
    matrix.columns.forEach((column, x) => {
      const from = left + x * CELL.width;
      const figure = matrix.ratios[y]?.[x] ?? 100;
      const own = declared.get(`${y} ${x}`);
      const short = own?.holds === false;
      const box = `x="${from}" y="${at}" width="${CELL.width}" height="${CELL.height}"`;
      parts.push(`<rect ${box} fill="${column.seen}"/>`);
      if (short) parts.push(`<rect ${box} fill="url(#short)"/>`);
      const ink = `fill="${column.ink}"${figure < least ? ' fill-opacity="0.75"' : ""}`;
      const right = from + CELL.width;
      parts.push(
        `<path d="M${right - CORNER} ${at}H${right}V${at + CORNER}Z" fill="${row.seen}" stroke="${column.ink}" stroke-width="0.5"/>`,
      );
      const weight = own ? ' font-weight="700"' : "";
      parts.push(`<text x="${from + 8}" y="${at + 18}" ${ink}${weight}>${ratioText(figure)}</text>`);
    });
  });
  const width = left + matrix.columns.length * CELL.width;
  const height = top + matrix.rows.length * CELL.height;
  const hatching =
    '<pattern id="short" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><path d="M0 0V5" stroke="#000" stroke-width="1"/></pattern>';
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" font-family="sans-serif" font-size="12"><defs>${hatching}</defs><rect width="100%" height="100%" fill="#FFFFFF"/>${parts.join("")}</svg>`;
}
