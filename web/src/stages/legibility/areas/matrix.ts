/** What the matrix draws and hands over: which cells are drawn, how they are told, as CSV and as SVG. */
import type { MatrixView } from "../../../api/client";

export const CELL = { width: 46, height: 22 };
/** A sign of a name in a picture is hardly ever wider, in CSS pixels. */
const SIGN = 7;

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

/** As it is on the screen: a figure that could not be read in its own color is faint in one that can; what is declared
 * is bold, and hatched where it falls short. */
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
    parts.push(`<text x="4" y="${at + 15}">${escaped(row.name)} ${row.hex}</text>`);
    matrix.columns.forEach((column, x) => {
      const from = left + x * CELL.width;
      const figure = matrix.ratios[y]?.[x] ?? 100;
      const own = declared.get(`${y} ${x}`);
      const short = own?.holds === false;
      const box = `x="${from}" y="${at}" width="${CELL.width}" height="${CELL.height}"`;
      parts.push(`<rect ${box} fill="${column.seen}"/>`);
      if (short) parts.push(`<rect ${box} fill="url(#short)"/>`);
      const ink = figure < least ? `fill="${column.ink}" fill-opacity="0.75"` : `fill="${row.seen}"`;
      const weight = own ? ' font-weight="700"' : "";
      parts.push(`<text x="${from + 8}" y="${at + 15}" ${ink}${weight}>${ratioText(figure)}</text>`);
    });
  });
  const width = left + matrix.columns.length * CELL.width;
  const height = top + matrix.rows.length * CELL.height;
  const hatching =
    '<pattern id="short" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><path d="M0 0V5" stroke="#000" stroke-width="1"/></pattern>';
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" font-family="sans-serif" font-size="12"><defs>${hatching}</defs><rect width="100%" height="100%" fill="#FFFFFF"/>${parts.join("")}</svg>`;
}
