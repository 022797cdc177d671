/** Makes the client's types and constants from the API's own description: make.mjs DESCRIPTION FOLDER. Its maker needs an
 * older TypeScript than the page is checked with, and so has packages of its own beside this file. */
import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import openapiTS, { astToString, COMMENT_HEADER } from "openapi-typescript";
import ts from "typescript";

const [, , description, folder] = process.argv;
const BLOB = ts.factory.createTypeReferenceNode("Blob");
const types = await openapiTS(pathToFileURL(description), {
  // What has a default may be left out of what is sent.
  defaultNonNullable: false,
  // Bytes, alone or as a file of a form.
  transform: (schema) =>
    schema.format === "binary" || schema.contentMediaType === "application/octet-stream" ? BLOB : undefined,
});
// The fetching client tells tuples of an answer as lists; so both ways they are lists.
const text = astToString(types).replace(/\[\s*(\w+)(?:,\s*\1)+,?\s*\]/g, "$1[]");
writeFileSync(join(folder, "schema.generated.ts"), COMMENT_HEADER + text);

const constants = JSON.parse(readFileSync(description, "utf8"))["x-constants"];
const lines = Object.entries(constants).map(
  ([name, value]) => `export const ${name} = ${JSON.stringify(value)} as const;\n`,
);
writeFileSync(
  join(folder, "constants.generated.ts"),
  `/** Limits and lists of the server, generated from the API's description: do not edit. */\n${lines.join("")}`,
);
