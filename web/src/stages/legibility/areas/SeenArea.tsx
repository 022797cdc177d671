/** A picture as it is and as it is seen, side by side; neighboring areas that merge are named and marked. */
import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { client, data, type PictureView, problemOf } from "../../../api/client";
import { NumberField } from "../../../components/NumberField";
import { useLook, VISION_WORDS } from "../../../workspace/look";
import { Area } from "../../shared/Area";
import { NoPicture } from "./NoPicture";
import { PictureTools } from "./PictureTools";
import { usePictures } from "./usePictures";

/** What is asked of a told-apart set, unless it is said otherwise. */
const THRESHOLD = 10;

export function SeenArea() {
  const { pictures, picture, known } = usePictures();
  if (!picture) return <NoPicture way="pictures-seen" known={known} />;
  return <Desk key={picture.id} picture={picture} pictures={pictures} />;
}

function Desk({ picture, pictures }: { picture: PictureView; pictures: PictureView[] }) {
  const slug = useLook((at) => at.slug);
  const own = useLook((at) => at.vision);
  const severity = useLook((at) => at.severity);
  const [threshold, setThreshold] = useState(THRESHOLD);
  const [marked, setMarked] = useState<number | null>(null);
  const path = `/api/systems/${slug}/pictures/${picture.id}`;
  const query = useQuery({
    queryKey: ["merging", slug, picture.id, threshold],
    queryFn: () =>
      data(
        client.GET("/api/systems/{slug}/pictures/{picture}/merging", {
          params: { path: { slug, picture: picture.id }, query: { threshold } },
        }),
      ),
    retry: false,
  });
  const found = query.data ?? [];
  const chosen = marked === null ? null : (found[marked] ?? null);
  // Through the eyes that are chosen above; else through those that merge what is marked.
  const vision = own !== "typical" ? own : (chosen?.vision ?? "deutan");
  const seen = `${path}/view?vision=${vision}&severity=${own !== "typical" ? severity : 1}`;
  return (
    <Area
      title="Pictures"
      tools={
        <>
          <PictureTools way="pictures-seen" picture={picture} pictures={pictures} />
          <Text fontSize="12px">Apart by at least</Text>
          <NumberField
            label="Distance that neighbors are to keep, CIEDE2000"
            value={threshold}
            low={0}
            high={100}
            step={1}
            places={1}
            onCommit={setThreshold}
          />
        </>
      }
    >
      <Grid templateColumns="1fr 1fr" gap="0" data-sample>
        {[`${path}/view`, seen].map((source, place) => (
          <Box key={source} position="relative">
            <img
              src={source}
              alt={
                place === 0 ? `${picture.name}, as it is` : `${picture.name}, seen by ${VISION_WORDS[vision]}`
              }
              style={{
                display: "block",
                maxHeight: "400px",
                width: "100%",
                objectFit: "contain",
                // Compared edge to edge.
                objectPosition: place === 0 ? "right" : "left",
              }}
            />
            {chosen && (
              <img
                src={`${path}/merging-map?one=${chosen.one}&other=${chosen.other}`}
                alt=""
                style={{
                  inset: 0,
                  position: "absolute",
                  height: "100%",
                  width: "100%",
                  objectFit: "contain",
                  objectPosition: place === 0 ? "right" : "left",
                }}
              />
            )}
          </Box>
        ))}
      </Grid>
      <Grid templateColumns="1fr 1fr" fontSize="12px" marginBottom="6px">
        <Text>as it is</Text>
        <Text>as seen by {VISION_WORDS[vision]}; choose other eyes in Seen as</Text>
      </Grid>
      <Text fontSize="12px" fontWeight="700" aria-live="polite" data-testid="merging">
        {query.error
          ? problemOf(query.error).message
          : !query.data
            ? "Comparing neighboring areas"
            : found.length === 0
              ? `No neighboring areas merge: all that are ${threshold} apart stay so for everyone.`
              : `${found.length} pairs of neighboring areas merge for someone.`}
      </Text>
      {found.map((each, place) => (
        <Flex
          as="button"
          key={`${each.one} ${each.other}`}
          gap="10px"
          align="center"
          width="100%"
          minHeight="36px"
          textAlign="left"
          fontSize="12px"
          cursor="pointer"
          borderBottom="1px solid"
          borderColor="border"
          aria-pressed={place === marked}
          fontWeight={place === marked ? "700" : "400"}
          onClick={() => setMarked(place === marked ? null : place)}
        >
          <Flex flexShrink={0}>
            {[...each.colors.map((color) => color.hex), ...each.seen].map((color, at) => (
              <Box
                // biome-ignore lint/suspicious/noArrayIndexKey: four colors, always in this order
                key={at}
                width="20px"
                height="24px"
                marginLeft={at === 2 ? "6px" : "0"}
                style={{ background: color }}
              />
            ))}
          </Flex>
          <Text flex="1" minWidth="0">
            {each.sentence} {each.outline}
          </Text>
        </Flex>
      ))}
    </Area>
  );
}
