import { render } from "@testing-library/react";
import { expect, it } from "vitest";
import type { PaletteView } from "../src/api/client";
import { throughOf } from "../src/stages/charts/areas/OneHueArea";
import { thirdsOf } from "../src/stages/charts/ByCategory";
import { breaksFrom, breaksOf, grainOf } from "../src/stages/charts/breaks";
import { withColors } from "../src/stages/charts/Drawn";
import { Bars, spansOf } from "../src/stages/charts/marks/Bars";
import { Boxes } from "../src/stages/charts/marks/Boxes";
import { EndLabels } from "../src/stages/charts/marks/EndLabels";
import { aloneIn, HEIGHT, MARGIN, spread, WIDTH } from "../src/stages/charts/marks/frame";
import { Lines } from "../src/stages/charts/marks/Lines";
import { ColumnNames, cut, everySo, wideOf } from "../src/stages/charts/marks/Words";
import {
  assigned,
  type Categorical,
  everyNth,
  freeName,
  remade,
  type Sequential,
  type Value,
} from "../src/stages/charts/palette";

const color = (id: string, category = "") => ({
  id,
  value: { kind: "hue", hue: id } as Value,
  category,
  held: false,
  shades: {},
});
const series = (...colors: ReturnType<typeof color>[]) => ({ kind: "categorical", colors }) as Categorical;
const known = (make: Categorical) => ({ palettes: [{ id: "routes", make } as PaletteView] });
const categories = (make: Categorical) => make.colors.map((each) => each.category);

/** Numbers 0 to 1 that look like chance and are the same every time. */
function* chance(seed = 7) {
  for (let state = seed; ; ) {
    state = (state * 48_271) % 2_147_483_647;
    yield state / 2_147_483_647;
  }
}

it("labels at the ends of lines never cover each other, and keep their order", () => {
  const some = chance();
  const next = () => some.next().value as number;
  for (let turn = 0; turn < 300; turn += 1) {
    const wished = Array.from({ length: 1 + Math.floor(next() * 12) }, () => -40 + next() * 280);
    const placed = spread(wished, 11, MARGIN.top, HEIGHT - MARGIN.bottom);
    const inOrder = wished
      .map((y, at) => ({ y, placed: placed[at] ?? Number.NaN }))
      .sort((one, other) => one.y - other.y || one.placed - other.placed);
    for (const [at, each] of inOrder.entries()) {
      expect(each.placed).toBeGreaterThanOrEqual(MARGIN.top - 1e-9);
      expect(each.placed).toBeLessThanOrEqual(HEIGHT - MARGIN.bottom + 1e-9);
      if (at > 0) expect(each.placed - (inOrder[at - 1]?.placed ?? 0)).toBeGreaterThanOrEqual(11 - 1e-9);
    }
  }
});

it("a label too long for its place is whole in its title", () => {
  render(
    <svg role="img" aria-label="chart">
      <EndLabels names={["Skarvik–Tarnsey", "Alke"]} wished={[50, 51]} at={200} />
    </svg>,
  );
  expect([...document.querySelectorAll("text")].map((each) => each.firstChild?.textContent)).toEqual([
    "Skarvik–…",
    "Alke",
  ]);
  expect([...document.querySelectorAll("title")].map((each) => each.textContent)).toEqual([
    "Skarvik–Tarnsey",
    "Alke",
  ]);
});

it("names of columns stand beside each other, or the first and the last do", () => {
  const some = chance(11);
  const next = () => some.next().value as number;
  for (let turn = 0; turn < 120; turn += 1) {
    const names = Array.from({ length: 1 + Math.floor(next() * 14) }, (_, at) =>
      `${at} quay of the harbor`.slice(0, 1 + Math.floor(next() * 20)).padStart(2, `${at}`),
    );
    const [left, right] = [MARGIN.left, WIDTH - MARGIN.right];
    const wide = (right - left) / names.length;
    const { container, unmount } = render(
      <svg role="img" aria-label="chart">
        <ColumnNames
          names={names}
          at={(place) => left + (place + 0.5) * wide}
          wide={wide}
          ends={[left, right]}
          y={190}
        />
      </svg>,
    );
    const shown = [...container.querySelectorAll("text")].map((text) => {
      const width = wideOf(text.firstChild?.textContent ?? "");
      const share = { start: 0, middle: 0.5, end: 1 }[text.getAttribute("text-anchor") ?? "start"] ?? 0;
      const from = Number(text.getAttribute("x")) - share * width;
      return [from, from + width] as const;
    });
    expect([1, 2, names.length]).toContain(shown.length);
    for (const [at, [from]] of shown.entries())
      if (at > 0) expect(from).toBeGreaterThan(shown[at - 1]?.[1] ?? 0);
    unmount();
  }
});

it("of limits that have no room every nth is told", () => {
  expect(everySo(["0.1", "0.2"], 40)).toBe(1);
  expect(everySo(["0.253", "0.347"], 20)).toBe(2);
  expect(everySo([], 20)).toBe(1);
  expect(cut("Mean of what nobody can read in one breath", 60)).toBe("Mean of wh…");
});

it("boxes of one color are one mark, however many they are", () => {
  const box = (place: number | null, x: number) => ({ place, x, y: 0, width: 2, height: 3, words: `${x}` });
  const { container } = render(
    <svg role="img" aria-label="chart">
      <Boxes boxes={[...Array.from({ length: 40 }, (_, at) => box(at % 3, at)), box(null, 41)]} />
    </svg>,
  );
  const marks = [...container.querySelectorAll("path")];
  expect(marks.map((each) => each.getAttribute("class"))).toEqual([
    "fill-0",
    "fill-1",
    "fill-2",
    "fill-muted",
  ]);
  expect(marks.map((each) => each.getAttribute("d")?.split("M").length)).toEqual([15, 14, 14, 2]);
});

const grid = (...values: (number | null)[][]) => ({
  title: "Mean of delay",
  rows: values.map((_, at) => `vessel ${at}`),
  columns: (values[0] ?? []).map((_, at) => `week ${at}`),
  values,
});
const vessels = (count: number) => ({
  column: "vessel",
  names: Array.from({ length: count }, (_, at) => `vessel ${at}`),
  places: Array.from({ length: count }, (_, at) => at),
  rows: [],
});

it("bars below zero hang under it, and what is missing is no bar", () => {
  const delays = grid([2, -3, null], [4, -1, 5], [-6, null, 1]);
  expect(spansOf(delays, "stacked")).toEqual([
    [[0, 2], [0, -3], null],
    [
      [2, 6],
      [-3, -4],
      [0, 5],
    ],
    [[0, -6], null, [5, 6]],
  ]);
  expect(spansOf(delays, "grouped")[1]).toEqual([
    [0, 4],
    [0, -1],
    [0, 5],
  ]);
  const { container } = render(
    <Bars grid={delays} series={vessels(3)} lit={null} ink="#000" shape="stacked" told={[]} />,
  );
  const boxes = [...container.querySelectorAll("path")].flatMap((mark) =>
    [...(mark.getAttribute("d") ?? "").matchAll(/M[\d.]+ ([\d.]+)h[\d.]+v([\d.]+)/g)].map((found) =>
      found.slice(1).map(Number),
    ),
  );
  expect(boxes).toHaveLength(7);
  const zero = Number(container.querySelector("line[y1][class*=zero]")?.getAttribute("y1"));
  const above = boxes.filter(([top = 0, high = 0]) => top + high <= zero + 0.01);
  expect([above.length, boxes.length - above.length]).toEqual([4, 3]);
});

it("a value that no line leads to is drawn as a point, and a single period as wide as the chart", () => {
  expect(aloneIn([1, null, 2, 3, null, 4])).toEqual([0, 5]);
  const drawn = (values: (number | null)[][], area: boolean) =>
    [
      ...render(
        <Lines grid={grid(...values)} series={vessels(1)} lit={null} ink="#000" told={[]} area={area} />,
      ).container.querySelectorAll("path"),
    ].map((mark) => mark.getAttribute("d") ?? "");
  expect(drawn([[1, null, 2, 3, null, 4]], false).some((d) => d.split("a3 3").length === 5)).toBe(true);
  expect(drawn([[6]], true)).toEqual([`M${MARGIN.left} 180H${WIDTH - MARGIN.right}V26H${MARGIN.left}z`]);
});

it("in a palette of fewer colors what has none is muted", () => {
  const categories = { scatter: null, by_period: grid([1], [2], [3]), series: vessels(3) };
  expect(withColors(categories as never, 2).series.places).toEqual([0, 1, null]);
});

it("areas are added up only where nothing is below zero", () => {
  const charts = (scatter: object | null, ...values: (number | null)[][]) =>
    thirdsOf({ scatter, by_period: grid(...values), series: vessels(1) } as never);
  expect(charts(null, [1, null])).toEqual(["areas", "alone"]);
  expect(charts({}, [1, -2])).toEqual(["points", "alone"]);
});

it("a category has one color: what stood for it before takes what that one stood for", () => {
  const make = series(color("a", "Alke"), color("b", "Tern"), color("c"));
  expect(categories(assigned(make, 1, "Alke"))).toEqual(["Tern", "Alke", ""]);
  expect(categories(assigned(make, 2, "Alke"))).toEqual(["", "Tern", "Alke"]);
  // None is no category that another color could stand for.
  expect(categories(assigned(make, 0, ""))).toEqual(["", "Tern", ""]);
});

it("a change starts from how the palette is made by then, and what changes nothing is no edit", async () => {
  const held = remade<Categorical>("routes", (now) => ({
    ...now,
    colors: now.colors.map((each) => (each.id === "a" ? { ...each, held: true } : each)),
  }));
  const [edit] = await held(known(series(color("a"), color("b", "named meanwhile"))));
  expect(edit).toMatchObject({ type: "set_palette", palette: "routes" });
  const { make } = edit as unknown as { make: Categorical };
  expect(make.colors.map(({ held, category }) => [held, category])).toEqual([
    [true, ""],
    [false, "named meanwhile"],
  ]);
  expect(await remade("routes", (now) => now)(known(make))).toEqual([]);
  await expect(remade("gone", (now) => now)(known(make))).rejects.toThrow(
    /^That palette is not there any more\.$/,
  );
});

it("a way keeps what is no hue and where its stops stand, whichever hues are chosen", () => {
  const literal = { kind: "literal", color: "#C9A227", was: "" } as unknown as Value;
  const hue = (id: string): Value => ({ kind: "hue", hue: id });
  const own = { sources: [hue("tidewater"), literal, hue("buoy")], places: [null, 0.4, 0.9] } as Sequential;
  expect(throughOf(own, ["buoy", "gorse"])).toEqual([
    { value: literal, place: 0.4 },
    { value: hue("buoy"), place: 0.9 },
    { value: hue("gorse"), place: null },
  ]);
  expect(throughOf(null, ["gorse"])).toEqual([{ value: hue("gorse"), place: null }]);
});

it("breaks are read with spaces, semicolons or commas between, and with either decimal sign", () => {
  expect(breaksOf("0.2 0.5  0.8")).toEqual([0.2, 0.5, 0.8]);
  expect(breaksOf("0,2; 0,5;0,8")).toEqual([0.2, 0.5, 0.8]);
  expect(breaksOf(" -5, 0, 1e3 ")).toEqual([-5, 0, 1000]);
  expect(() => breaksOf("0.2 late")).toThrow("“late” is no number");
  expect(() => breaksOf("0.2,0.5,0.8")).toThrow("Put a space between");
  expect(() => breaksOf("1e999")).toThrow("is no number");
  expect(() => breaksOf("  ")).toThrow("at least one break");
});

it("numbers are told as finely as their data are far apart", () => {
  const reach = (low: number, high: number, ...begin: number[]) => ({ low, high, begin });
  expect(grainOf(reach(0, 1))).toEqual({ places: 2, step: 0.1 });
  expect(grainOf(reach(0.16, 0.98))).toEqual({ places: 3, step: 0.01 });
  expect(grainOf(reach(-15, 45)).places).toBe(1);
  expect(grainOf(reach(0, 2_000_000)).places).toBe(0);
  expect(grainOf(undefined)).toEqual(grainOf(reach(3, 3)));
  expect(breaksFrom(reach(0, 1, 1 / 3, 2 / 3))).toEqual([0.33, 0.67]);
  // Shorter ones would be alike.
  expect(breaksFrom(reach(0, 1, 0.3331, 0.3332))).toEqual([0.3331, 0.3332]);
  expect(breaksFrom(undefined)).toEqual([]);
});

it("of many every nth is taken, the first and the last among them", () => {
  const all = Array.from({ length: 24 }, (_, at) => at);
  for (const most of [2, 5, 9]) {
    const taken = everyNth(all, most);
    expect(taken).toHaveLength(most);
    expect([taken[0], taken.at(-1)]).toEqual([0, 23]);
  }
  expect(everyNth([1, 2], 9)).toEqual([1, 2]);
  expect(freeName(["Set", "set 2"], "set")).toBe("set 3");
});
