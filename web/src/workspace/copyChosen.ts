/** Copying the values of everything that is chosen, a line each. */
import { client, data, type Notation } from "../api/client";
import { copyText } from "../util/copy";
import { useChosen } from "./chosen";

export async function copyChosen(slug: string, notation: Notation, names: boolean): Promise<boolean> {
  const { keys } = useChosen.getState();
  const { text } = await data(
    client.POST("/api/systems/{slug}/copy", {
      params: { path: { slug } },
      body: { keys: [...keys], notation, names },
    }),
  );
  return copyText(text);
}
