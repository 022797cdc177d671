/** A categorical palette as the server would make it. */
import { client, data, type WishBody } from "../../api/client";

export const proposed = (slug: string, body: WishBody, signal?: AbortSignal) =>
  data(
    client.POST("/api/systems/{slug}/palette-proposals", {
      params: { path: { slug } },
      body,
      ...(signal ? { signal } : {}),
    }),
  );
