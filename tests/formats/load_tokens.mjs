/** Loads delivered tokens in what they are for: load_tokens.mjs FOLDER WEB, answers what each found. */
import { execFileSync } from "node:child_process";
import { readFileSync, writeFileSync } from "node:fs";
import { createRequire } from "node:module";
import { join } from "node:path";
import { pathToFileURL } from "node:url";

const [, , folder, web, asked] = process.argv;
const require = createRequire(join(web, "package.json"));

const sass = require("sass");
const source = `@use "sass:map"; @use "sass:meta"; @use "tokens";
@each $theme, $tokens in tokens.$themes { @each $name, $value in $tokens { [theme="#{$theme}"] { --#{$name}: #{$value} } } }
@each $name, $value in meta.module-variables("tokens") { @if $name != "themes" { first { --#{$name}: #{$value} } } }`;
const compiled = sass.compileString(source, { loadPaths: [folder], style: "compressed" }).css;

const use = join(folder, "use.ts");
writeFileSync(
  use,
  `import { themes, property, type TokenName } from "./tokens";
const name: TokenName = ${JSON.stringify(asked)};
// @ts-expect-error there is no such token
const none: TokenName = "no.such.token";
export const found: string = themes.day[name] + property(name) + none;`,
);
const tsc = join(web, "node_modules", "typescript", "bin", "tsc");
const options = ["--strict", "--module", "es2022", "--moduleResolution", "bundler", "--target", "es2022"];
execFileSync(process.execPath, [tsc, ...options, "--outDir", join(folder, "out"), use], { stdio: "pipe" });
writeFileSync(join(folder, "out", "package.json"), '{"type": "module"}');
const { themes, properties, version } = await import(pathToFileURL(join(folder, "out", "tokens.js")).href);

console.log(JSON.stringify({ compiled, themes, properties, version, manifest: readFileSync(join(folder, "release.json"), "utf8") }));
