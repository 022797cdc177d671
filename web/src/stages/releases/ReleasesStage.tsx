/** Releases: what will change, publishing it, the files and their address, and what is out already. */

import { Box, Grid, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { client, data } from "../../api/client";
import { Toolbar } from "../../components/Toolbar";
import { usePart } from "../../workspace/hooks";
import { useLook, useSeeing } from "../../workspace/look";
import { Changes } from "./Changes";
import { Feed } from "./Feed";
import { PublishForm } from "./PublishForm";

export function ReleasesStage() {
  const slug = useLook((at) => at.slug);
  const seeing = useSeeing();
  const revision = usePart("head", (head) => head.revision);
  const latest = usePart("head", (head) => head.latest);
  const path = { slug };
  const draft = useQuery({
    queryKey: ["draft", slug, revision, seeing],
    queryFn: () => data(client.GET("/api/systems/{slug}/draft", { params: { path, query: seeing } })),
    placeholderData: (before) => before,
  });
  const releases = useQuery({
    queryKey: ["releases", slug],
    queryFn: () => data(client.GET("/api/systems/{slug}/releases", { params: { path } })),
  });
  const changes = draft.data?.changes ?? [];
  const words = latest
    ? `${latest} is out, ${changes.length === 0 ? "nothing has changed since" : `${changes.length} changes since`}`
    : "nothing published yet";
  return (
    <>
      <Toolbar title="Releases" words={words} />
      <Grid
        flex="1"
        minHeight="0"
        overflowY="auto"
        templateColumns="minmax(0, 1fr) minmax(0, 1fr)"
        gap="24px"
        padding="0 20px 20px"
        alignItems="start"
      >
        <Box>
          {draft.data && <PublishForm draft={draft.data} />}
          <Changes changes={changes} first={latest === null} />
          <Box as="section" aria-label="Earlier releases" marginTop="16px">
            {(releases.data ?? []).map((release) => (
              <Box
                key={release.version}
                borderTop="1px solid"
                borderColor="border"
                paddingBlock="8px"
                data-testid="release"
              >
                <Text>
                  <strong>{release.version}</strong> by {release.person},{" "}
                  {new Date(release.at).toLocaleString("en-US", { dateStyle: "medium", timeStyle: "short" })}
                </Text>
                {release.notes && <Text whiteSpace="pre-wrap">{release.notes}</Text>}
              </Box>
            ))}
          </Box>
        </Box>
        {draft.data && <Feed draft={draft.data} latest={latest} />}
      </Grid>
    </>
  );
}
