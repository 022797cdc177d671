/** The team's own typeface: loaded where samples are set in it, replaced, removed. */
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { asItIs, client, data, Problem } from "../../../api/client";

/** A file that this browser can set no text in replaces no other. Throws why. */
async function refuseBroken(file: File): Promise<void> {
  try {
    await new FontFace("tried", await file.arrayBuffer()).load();
  } catch {
    const detail = `“${file.name}” cannot be set by this browser: it is no font, or broken. Nothing was replaced.`;
    throw new Problem({ detail }, 422);
  }
}

export function useTypeface(slug: string) {
  const queries = useQueryClient();
  const path = { params: { path: { slug } } };
  const key = ["typeface", slug];
  const query = useQuery({
    queryKey: key,
    queryFn: () => data(client.GET("/api/systems/{slug}/typeface", path)),
  });
  const name = query.data?.name ?? null;
  const mark = query.data?.mark ?? null;
  const [family, setFamily] = useState<string | null>(null);
  const [broken, setBroken] = useState("");
  useEffect(() => {
    setFamily(null);
    setBroken("");
    if (!mark) return;
    const own = `own-${mark}`;
    const face = new FontFace(
      own,
      `url(/api/systems/${encodeURIComponent(slug)}/typeface/file?mark=${mark})`,
    );
    let gone = false;
    face.load().then(
      () => {
        if (gone) return;
        document.fonts.add(face);
        setFamily(own);
      },
      () => {
        if (!gone) setBroken(`${name} cannot be set by this browser: the file may be broken.`);
      },
    );
    return () => {
      gone = true;
      document.fonts.delete(face);
    };
  }, [slug, mark, name]);
  const again = () => queries.invalidateQueries({ queryKey: key });
  const keep = useMutation({
    mutationFn: async (file: File) => {
      await refuseBroken(file);
      return data(
        client.PUT("/api/systems/{slug}/typeface", {
          params: { path: { slug }, query: { name: file.name } },
          body: file,
          bodySerializer: asItIs,
          headers: { "Content-Type": "application/octet-stream" },
        }),
      );
    },
    onSuccess: again,
  });
  const remove = useMutation({
    mutationFn: () => data(client.DELETE("/api/systems/{slug}/typeface", path)),
    onSuccess: again,
  });
  return { name, family, broken, keep, remove, error: keep.error ?? remove.error };
}
