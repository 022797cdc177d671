/** Releases: what will change, publishing it, the files and their address, and what is out already. */
import { Box, Grid, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { client, data } from "../../api/client";
import { Toolbar } from "../../parts/Toolbar";
import { useLooking } from "../../state/looking";
import { useView } from "../../state/workspace";
import { Changes } from "./Changes";
import { Feed } from "./Feed";
import { PublishForm } from "./PublishForm";

export function ReleasesStage() {
  const { slug, seeing } = useLooking();
  const view = useView((whole) => whole);
  const path = { slug };
  const draft = useQuery({
    queryKey: ["draft", slug, view.revision, seeing],
    queryFn: () => data(client.GET("/api/systems/{slug}/draft", { params: { path, query: seeing } })),
    placeholderData: (before) => before,
  });
  const releases = useQuery({
    queryKey: ["releases", slug],
    queryFn: () => data(client.GET("/api/systems/{slug}/releases", { params: { path } })),
  });
  const changes = draft.data?.changes ?? [];
  const words = view.latest
    ? `${view.latest} is out, ${changes.length === 0 ? "nothing has changed since" : `${changes.length} changes since`}`
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
          <Changes changes={changes} first={view.latest === null} />
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
        {draft.data && <Feed draft={draft.data} latest={view.latest} />}
      </Grid>
    </>
  );
}
