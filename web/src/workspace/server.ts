/** What a workspace asks the server for. Tests put another in its place. */
import { client, data, type Edit, type Looking, type Parts } from "../api/client";

export interface Server {
  open(slug: string, looking: Looking): Promise<Partial<Parts>>;
  preview(
    slug: string,
    base: number,
    edits: Edit[],
    view: Looking,
    latest: string | null,
  ): Promise<Partial<Parts>>;
  keep(slug: string, base: number, edits: Edit[], view: Looking, key: string): Promise<Partial<Parts>>;
  takeBack(slug: string, kind: "undo" | "redo", view: Looking, key: string): Promise<Partial<Parts>>;
  head(slug: string): Promise<number>;
}

const at = (slug: string) => ({ path: { slug } });

export const server: Server = {
  open: (slug, looking) =>
    data(client.GET("/api/systems/{slug}", { params: { ...at(slug), query: looking } })),
  preview: (slug, base, edits, view, latest) =>
    data(
      client.POST("/api/systems/{slug}/preview", { params: at(slug), body: { base, edits, view, latest } }),
    ),
  keep: (slug, base, edits, view, key) =>
    data(client.POST("/api/systems/{slug}/edits", { params: at(slug), body: { base, edits, view, key } })),
  takeBack: (slug, kind, view, key) =>
    data(client.POST(`/api/systems/{slug}/${kind}`, { params: at(slug), body: { view, key } })),
  head: async (slug) => (await data(client.GET("/api/systems/{slug}/head", { params: at(slug) }))).revision,
};
