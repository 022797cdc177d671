/** What a workspace asks the server for. Tests put another in its place. */
import { client, data, type Edit, type Looking, type Parts } from "../api/client";

/** Hues that somebody else has removed, in words, and by which revision. */
export interface Removal {
  revision: number;
  person: string;
  hues: string;
}

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
  takeBack(
    slug: string,
    kind: "undo" | "redo",
    view: Looking,
    key: string,
    pass: boolean,
  ): Promise<Partial<Parts>>;
  head(slug: string): Promise<number>;
  removals(slug: string, after: number): Promise<Removal[]>;
  bringBack(slug: string, revision: number, view: Looking, key: string): Promise<Partial<Parts>>;
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
  takeBack: (slug, kind, view, key, pass) =>
    data(
      client.POST(`/api/systems/{slug}/${kind}`, { params: at(slug), body: { view, key, passing: pass } }),
    ),
  removals: (slug, after) =>
    data(client.GET("/api/systems/{slug}/removals", { params: { ...at(slug), query: { after } } })),
  bringBack: (slug, revision, view, key) =>
    data(
      client.POST("/api/systems/{slug}/restorations", { params: at(slug), body: { revision, view, key } }),
    ),
  head: async (slug) => (await data(client.GET("/api/systems/{slug}/head", { params: at(slug) }))).revision,
};
