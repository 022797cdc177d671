/** Copying the colors of some keys as text: values, rows of name and value, or named shapes. */
import { client, data, type Notation } from "../api/client";
import { copyShapes, copyText } from "../util/copy";
import { useLook } from "./look";

export type CopyForm = "values" | "rows" | "shapes";

export async function copyColors(
  slug: string,
  keys: readonly string[],
  notation: Notation,
  form: CopyForm,
): Promise<boolean> {
  const { text } = await data(
    client.POST("/api/systems/{slug}/copy", {
      params: { path: { slug } },
      body: { keys: [...keys], notation, form, theme: useLook.getState().theme },
    }),
  );
  return form === "shapes" ? copyShapes(text) : copyText(text);
}
