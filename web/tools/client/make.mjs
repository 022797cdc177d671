/** Makes the client's types and constants from the API's own description: make.mjs DESCRIPTION FOLDER. */
import { spawnSync } from "node:child_process";
import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";

const [, , description, folder] = process.argv;
// It needs an older TypeScript than the page is checked with, and so has packages of its own beside this file.
const types = spawnSync(
  join(import.meta.dirname, "node_modules/.bin/openapi-typescript"),
  [
    description,
    // What has a default may be left out of what is sent.
    "--default-non-nullable=false",
    "-o",
    join(folder, "schema.generated.ts"),
  ],
  { stdio: "inherit" },
);
if (types.status !== 0) process.exit(types.status ?? 1);
// The fetching client tells tuples of an answer as lists; so both ways they are lists.
const schema = join(folder, "schema.generated.ts");
writeFileSync(schema, readFileSync(schema, "utf8").replace(/\[\s*(\w+)(?:,\s*\1)+,?\s*\]/g, "$1[]"));

const constants = JSON.parse(readFileSync(description, "utf8"))["x-constants"];
const lines = Object.entries(constants).map(
  ([name, value]) => `export const ${name} = ${JSON.stringify(value)} as const;\n`,
);
writeFileSync(
  join(folder, "constants.generated.ts"),
  `/** Limits and lists of the server, generated from the API's description: do not edit. */\n${lines.join("")}`,
);
