/** Loads delivered palettes in the libraries that they are for: load_palettes.mjs FOLDER, answers what each found. */
import { readFileSync, writeFileSync } from "node:fs";
import { createRequire } from "node:module";
import { join } from "node:path";
import { pathToFileURL } from "node:url";

const [, , folder, web] = process.argv;
const require = createRequire(join(web, "package.json"));
const load = (name) => import(pathToFileURL(require.resolve(name)).href);
const json = (name) => JSON.parse(readFileSync(join(folder, name), "utf8"));

const ts = createRequire(join(web, "tools/client/package.json"))("typescript");
const options = { compilerOptions: { module: "esnext", target: "es2022", strict: true } };
const made = join(folder, "palettes.mjs");
writeFileSync(made, ts.transpileModule(readFileSync(join(folder, "palettes.ts"), "utf8"), options).outputText);
const { palettes, interpolate } = await import(pathToFileURL(made).href);

const { scaleOrdinal, scaleSequential } = await load("d3-scale");
const colors = palettes.routes.day.colors;
const ordinal = scaleOrdinal(colors).domain(colors.map((_, place) => place));
const sequential = scaleSequential(interpolate.load.day).domain([0, 100]);
const d3 = {
  ordinal: colors.map((_, place) => ordinal(place)),
  sequential: Array.from({ length: 101 }, (_, place) => sequential(place)),
};

const { compile } = await load("vega-lite");
const vega = await load("vega");
const spec = {
  ...json("palettes.vega-lite.json"),
  data: { values: colors.map((_, place) => ({ category: `c${place}`, value: place })) },
  mark: "bar",
  encoding: {
    x: { field: "category", type: "nominal" },
    y: { field: "value", type: "quantitative" },
    color: { field: "category", type: "nominal" },
  },
};
const view = new vega.View(vega.parse(compile(spec).spec), { renderer: "none" });
await view.runAsync();
const scale = view.scale("color");
const vegaLite = colors.map((_, place) => scale(`c${place}`));

const echarts = await load("echarts");
echarts.registerTheme("ours", json("palettes.echarts.json"));
const chart = echarts.init(null, "ours", { renderer: "svg", ssr: true, width: 400, height: 300 });
chart.setOption({
  animation: false,
  xAxis: { data: ["a"] },
  yAxis: {},
  series: colors.map(() => ({ type: "bar", data: [1] })),
});
const drawn = chart.renderToSVGString();
chart.dispose();

process.stdout.write(JSON.stringify({ d3, vegaLite, echarts: drawn }));
process.exit(0);
