#!/usr/bin/env node
// Check files against a release of colors: names that are not there, colors that are none of it, undeclared pairs.
//
// Usage: node check.mjs [--from FOLDER_OR_ADDRESS] [--json] [--strict] [--report] PATH...
//
// Without --from the release is the one that this file lies in. A feed that asks for a key takes it from FEED_KEY; with
// --report the feed is told which names are in use. The exit code is 0 where all is well, 1 where something is to be
// mended (with --strict also what is only advised), 2 where nothing could be checked. No dependencies: it is served with
// every release. It says the same as check.py beside it, word for word.
import { existsSync, readFileSync, readdirSync, realpathSync, statSync } from "node:fs";
import { dirname, extname, join } from "node:path";
import { fileURLToPath } from "node:url";

const USAGE = "Usage: node check.mjs [--from FOLDER_OR_ADDRESS] [--json] [--strict] [--report] PATH...";
const CONTRACT = "contract.json";
const TOKENS = "tokens.plain.json";
const PALETTES = "palettes.css";
const ENDINGS = new Set(
  ".css .scss .sass .less .pcss .html .htm .vue .svelte .svg .jsx .tsx".split(" "),
);
const LEAST_CONTRAST = 4.5;
const ADVICE = new Set(["deprecated", "by hand"]);
const MOST_BYTES = 5_000_000;
// A letter or digit of any script, or an underscore.
const W = "\\p{L}\\p{N}_";
const USED = new RegExp(`var\\(\\s{0,20}--([${W}-]{1,120})`, "gu");
const DEFINED = new RegExp(`(?:^|[{;\\s])--([${W}-]{1,120})\\s{0,20}:`, "gu");
const HEX = new RegExp(`#(?:[0-9a-fA-F]{8}|[0-9a-fA-F]{6}|[0-9a-fA-F]{3,4})(?![0-9a-zA-Z_-])`, "g");
const COMMENT = /\/\*[^]*?(?:\*\/|$(?![^]))|<!--[^]*?(?:-->|$(?![^]))/g;
const LINE_COMMENT = /(?:^|(?<=\s))\/\/[^\n]*/g;
const STYLE = /\bstyle\s{0,20}=\s{0,20}(?:"([^"]*)"|'([^']*)')/dg;
const STRING = /"[^"\n]*"|'[^'\n]*'/g;
const GROUNDS = new Set(["background", "background-color"]);
const ONE = new RegExp(`^\\s*var\\(\\s*--([${W}-]{1,120})\\s*(?:,[^()]*)?\\)\\s*(?:!important\\s*)?$`, "u");

const blank = (text) => text.replace(/[^\n]/g, " ");
const blanked = (text) => text.replace(COMMENT, blank).replace(LINE_COMMENT, blank);

class Lines {
  constructor(text) {
    this.ends = [];
    for (let at = text.indexOf("\n"); at >= 0; at = text.indexOf("\n", at + 1)) this.ends.push(at);
  }
  of(at) {
    let low = 0;
    let high = this.ends.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.ends[middle] < at) low = middle + 1;
      else high = middle;
    }
    return low + 1;
  }
}

export function pairsIn(text) {
  const plain = blanked(text);
  const lines = new Lines(plain);
  const found = [];
  for (const match of plain.matchAll(STYLE)) {
    const group = match[1] === undefined ? 2 : 1;
    found.push(...inRules(lines, `{${match[group]}}`, match.indices[group][0] - 1));
  }
  found.push(...inRules(lines, plain.replace(STRING, blank), 0));
  return found.sort(
    (one, other) => one[0] - other[0] || compare(one[1], other[1]) || compare(one[2], other[2]),
  );
}

function compare(one, other) {
  // By code points, as Python does.
  const left = [...one];
  const right = [...other];
  for (let at = 0; at < Math.min(left.length, right.length); at++) {
    const differs = left[at].codePointAt(0) - right[at].codePointAt(0);
    if (differs) return differs;
  }
  return left.length - right.length;
}

function inRules(lines, text, offset) {
  const found = [];
  const stack = [{}];
  let start = 0;
  const close = (block) => {
    const ground = block.ground ?? block.parentGround;
    if (block.ink && ground) {
      const [name, at] = block.ink;
      found.push([lines.of(Math.max(at + offset, 0)), name, ground]);
    }
  };
  for (const mark of text.matchAll(/[{};]/g)) {
    const top = stack[stack.length - 1];
    if (mark[0] !== "{") declare(top, text.slice(start, mark.index), start);
    if (mark[0] === "{") stack.push({ parentGround: top.ground ?? top.parentGround });
    else if (mark[0] === "}" && stack.length > 1) close(stack.pop());
    start = mark.index + 1;
  }
  declare(stack[stack.length - 1], text.slice(start), start);
  while (stack.length > 1) close(stack.pop());
  return found;
}

function declare(block, text, start) {
  const colon = text.indexOf(":");
  const prop = (colon < 0 ? text : text.slice(0, colon)).trim().toLowerCase();
  const match = colon < 0 ? null : ONE.exec(text.slice(colon + 1));
  if (!match) {
    if (GROUNDS.has(prop) && colon >= 0) {
      block.ground = undefined;
      block.parentGround = undefined;
    }
    return;
  }
  if (prop === "color") block.ink = [match[1], start + text.length - text.trimStart().length];
  else if (GROUNDS.has(prop)) block.ground = match[1];
}

/** `palettes` is the stylesheet of a release's palettes, if it has any: labels and ramps are names that it defines. */
export function findings(files, contract, tokens, palettes = "") {
  const own = new Set();
  for (const text of files.values()) for (const match of text.matchAll(DEFINED)) own.add(match[1]);
  const release = releaseOf(contract, tokens, palettes);
  return [...files].flatMap(([name, text]) => check(release, name, text, own));
}

function releaseOf(contract, tokens, palettes) {
  const named = new Map(tokens.tokens.map((token) => [token.property.slice(2), token]));
  const there = new Set([...named.keys(), ...[...palettes.matchAll(DEFINED)].map((match) => match[1])]);
  const colors = new Map();
  const names = new Map();
  for (const token of tokens.tokens) {
    names.set(token.name, token.property.slice(2));
    for (const value of Object.values(token.values)) {
      if (!colors.has(value.toLowerCase())) colors.set(value.toLowerCase(), token.property.slice(2));
    }
  }
  const declared = new Map();
  for (const pairing of contract.pairings) {
    const pair = `${names.get(pairing.foreground)} ${names.get(pairing.ground)}`;
    declared.set(pair, [...(declared.get(pair) ?? []), pairing]);
  }
  return { named, there, colors, declared };
}

function check({ named, there, colors, declared }, file, text, own) {
  const lines = new Lines(text);
  const plain = blanked(text);
  const found = [];
  const say = (kind, at, words) => found.push({ kind, file, line: at, words });
  for (const match of plain.matchAll(USED)) {
    const name = match[1];
    const token = named.get(name);
    if (!there.has(name) && !own.has(name)) say("unknown", lines.of(match.index), `--${name} is not in the release`);
    else if (token?.deprecated) {
      const instead = token.deprecated.use;
      say("deprecated", lines.of(match.index), `--${name} is on its way out${instead ? `: use ${instead}` : ""}`);
    }
  }
  for (const match of plain.matchAll(HEX)) {
    const meant = colors.get(long(match[0]));
    const words = meant ? `${match[0]} is var(--${meant})` : `${match[0]} is no color of the release`;
    say(meant ? "by hand" : "outside", lines.of(match.index), words);
  }
  for (const [line, ink, ground] of pairsIn(text)) {
    if (!named.has(ink) || !named.has(ground)) continue;
    const pairings = declared.get(`${ink} ${ground}`);
    if (!pairings) {
      const [theme, least] = Object.entries(ratios(named, ink, ground)).reduce((one, other) =>
        other[1] < one[1] ? other : one,
      );
      const short = least < LEAST_CONTRAST ? `, under ${LEAST_CONTRAST}` : "";
      say("undeclared", line, `--${ink} on --${ground} was never declared; it reads ${cut(least)} in ${theme}${short}`);
    }
    for (const pairing of pairings ?? []) {
      for (const [theme, ratio] of Object.entries(pairing.ratios)) {
        if (pairing.needed && ratio < pairing.needed) {
          say("falls short", line, `--${ink} on --${ground} reads ${cut(ratio)} in ${theme}; ${pairing.needed} is needed`);
        }
      }
    }
  }
  return found.sort(
    (one, other) => one.line - other.line || compare(one.kind, other.kind) || compare(one.words, other.words),
  );
}

const cut = (ratio) => (Math.floor(ratio * 100 + 1e-9) / 100).toFixed(2);

function long(text) {
  let digits = text.slice(1).toLowerCase();
  if (digits.length < 6) digits = [...digits].map((digit) => digit + digit).join("");
  return `#${digits.slice(6) === "ff" ? digits.slice(0, 6) : digits}`;
}

function channels(value) {
  const [red, green, blue] = [1, 3, 5].map((at) => Number.parseInt(value.slice(at, at + 2), 16));
  return [red, green, blue, value.length > 7 ? Number.parseInt(value.slice(7, 9), 16) / 255 : 1];
}

const over = (color, under) => [
  ...[0, 1, 2].map((at) => Math.floor(color[3] * color[at] + (1 - color[3]) * under[at] + 0.5)),
  1,
];

function luminance(color) {
  const linear = color
    .slice(0, 3)
    .map((each) => (each / 255 <= 0.04045 ? each / 255 / 12.92 : ((each / 255 + 0.055) / 1.055) ** 2.4));
  return 0.2126 * linear[0] + 0.7152 * linear[1] + 0.0722 * linear[2];
}

function ratios(named, ink, ground) {
  const found = {};
  for (const [theme, value] of Object.entries(named.get(ink).values)) {
    const under = over(channels(named.get(ground).values[theme]), [255, 255, 255, 1]);
    const one = luminance(over(channels(value), under));
    const other = luminance(under);
    found[theme] = (Math.max(one, other) + 0.05) / (Math.min(one, other) + 0.05);
  }
  return found;
}

const bearing = () => (process.env.FEED_KEY ? { Authorization: `Bearer ${process.env.FEED_KEY}` } : {});

/** A file of a release; one that it may be without is empty then. */
async function load(source, name, optional = false) {
  if (!/^https?:\/\//.test(source)) {
    const file = join(source, name);
    return optional && !existsSync(file) ? "" : readFileSync(file, "utf8");
  }
  const answer = await fetch(`${source.replace(/\/+$/, "")}/${name}`, { headers: bearing() });
  if (optional && answer.status === 404) return "";
  if (!answer.ok) throw new Error(`${name} answers ${answer.status}`);
  return answer.text();
}

async function report(source, version, names) {
  const feed = /^(https?:\/\/[^/]+\/feeds\/[^/]+)\//.exec(`${source.replace(/\/+$/, "")}/`);
  if (!feed || !process.env.FEED_KEY) {
    throw new Error("a report goes to a feed: give its address with --from, and a key in FEED_KEY");
  }
  const answer = await fetch(`${feed[1]}/reports`, {
    method: "POST",
    headers: { "Content-Type": "application/json", ...bearing() },
    body: JSON.stringify({ version, names }),
  });
  if (!answer.ok) throw new Error(`the report was answered with ${answer.status}`);
}

function filesOf(paths) {
  const found = new Map();
  const read = (file) => {
    const content = readFileSync(file).subarray(0, MOST_BYTES);
    found.set(file.replaceAll("\\", "/"), new TextDecoder("utf-8", { ignoreBOM: true }).decode(content));
  };
  const walk = (folder) => {
    for (const entry of readdirSync(folder, { withFileTypes: true })) {
      if (entry.name === "node_modules") continue;
      const path = join(folder, entry.name);
      if (entry.isDirectory()) walk(path);
      else if (entry.isFile() && ENDINGS.has(extname(entry.name).toLowerCase())) read(path);
    }
  };
  for (const path of paths) {
    if (!existsSync(path)) throw new Error(`${path} is not there`);
    if (statSync(path).isFile()) read(path);
    else walk(path);
  }
  return new Map([...found].sort(([one], [other]) => compare(one, other)));
}

async function main(given) {
  let source = dirname(fileURLToPath(import.meta.url));
  const at = given.indexOf("--from");
  if (at >= 0) [, source = ""] = given.splice(at, 2);
  const options = new Set(["--json", "--strict", "--report"]);
  const paths = given.filter((each) => !options.has(each));
  const wrong = paths.filter((each) => each.startsWith("--"));
  if (paths.length === 0 || wrong.length > 0 || !source) {
    console.error(wrong.length > 0 ? `unknown: ${wrong.join(" ")}` : USAGE);
    return 2;
  }
  let files;
  let tokens;
  let found;
  try {
    files = filesOf(paths);
    const contract = JSON.parse(await load(source, CONTRACT));
    tokens = JSON.parse(await load(source, TOKENS));
    const palettes = await load(source, PALETTES, true);
    found = findings(files, contract, tokens, palettes);
    if (given.includes("--report")) {
      const called = new Map(tokens.tokens.map((token) => [token.property.slice(2), token.name]));
      const used = new Set();
      for (const text of files.values()) for (const match of text.matchAll(USED)) used.add(match[1]);
      await report(source, tokens.version, [...used].sort(compare).map((name) => called.get(name) ?? name));
    }
  } catch (error) {
    console.error(`Nothing was checked: ${error.message}`);
    return 2;
  }
  const stops = found.filter((each) => given.includes("--strict") || !ADVICE.has(each.kind));
  const { system, version } = tokens;
  if (given.includes("--json")) {
    console.log(JSON.stringify({ system, version, files: files.size, found, holds: stops.length === 0 }, null, 2));
  } else {
    for (const each of found) console.log(`${each.file}:${each.line}: ${each.kind}: ${each.words}`);
    const count = found.length > 0 ? `${found.length} ${found.length === 1 ? "place" : "places"}` : "Nothing to say";
    console.log(`${count} in ${files.size} files, against ${system} ${version}.`);
  }
  return stops.length > 0 ? 1 : 0;
}

if (process.argv[1] && realpathSync(process.argv[1]) === fileURLToPath(import.meta.url)) {
  process.exitCode = await main(process.argv.slice(2));
}
