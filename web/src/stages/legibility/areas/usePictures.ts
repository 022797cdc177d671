/** The pictures of the system, and the one that is looked at. */
import { useQuery } from "@tanstack/react-query";
import { client, data } from "../../../api/client";
import { useLook } from "../../../workspace/look";

export function usePictures() {
  const slug = useLook((at) => at.slug);
  const chosen = useLook((at) => at.picture);
  const query = useQuery({
    queryKey: ["pictures", slug],
    queryFn: () => data(client.GET("/api/systems/{slug}/pictures", { params: { path: { slug } } })),
  });
  const pictures = query.data ?? [];
  const picture = pictures.find((each) => each.id === chosen) ?? pictures[0];
  return { pictures, picture, known: query.data !== undefined };
}
