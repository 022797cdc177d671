/** A release that is out: what has become otherwise since, each put back as it was; or begun from again. */
import { Box, Flex, Link, Text } from "@chakra-ui/react";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link as RouterLink } from "react-router";
import { client, data, problemOf, type ReleaseView } from "../../api/client";
import { newId } from "../../api/ids";
import { TextField } from "../../components/TextField";
import { ToolButton } from "../../components/ToolButton";
import { usePart, useWorkspace } from "../../workspace/hooks";
import { useLook, useSeeing } from "../../workspace/look";
import { readingOf } from "../../workspace/released";
import { useBeginning } from "../../workspace/useBeginning";

export function EarlierRelease({ release }: { release: ReleaseView }) {
  const [open, setOpen] = useState(false);
  const slug = useLook((at) => at.slug);
  const day = new Date(release.at).toLocaleString("en-US", { dateStyle: "medium", timeStyle: "short" });
  return (
    <Box borderTop="1px solid" borderColor="border" paddingBlock="8px" data-testid="release">
      <Flex gap="8px" align="center" wrap="wrap">
        <Text flex="1">
          <strong>{release.version}</strong> by {release.person}, {day}
        </Text>
        <Link asChild textDecoration="underline" color="fg" fontSize="12px" minHeight="24px">
          <RouterLink
            to={readingOf(slug, release.version, "scales")}
            aria-label={`Read it as it was: ${release.version}`}
          >
            Read it as it was
          </RouterLink>
        </Link>
        <ToolButton
          aria-expanded={open}
          aria-label={`${open ? "Fold" : "Go back to it"}: ${release.version}`}
          onClick={() => setOpen(!open)}
        >
          {open ? "Fold" : "Go back to it"}
        </ToolButton>
      </Flex>
      {release.printing && (
        <Text fontSize="12px" color="fg.muted">
          Its guide is being set as PDF, and will be among its files.
        </Text>
      )}
      {release.notes && <Text whiteSpace="pre-wrap">{release.notes}</Text>}
      {open && <Since version={release.version} />}
    </Box>
  );
}

function Since({ version }: { version: string }) {
  const slug = useLook((at) => at.slug);
  const seeing = useSeeing();
  const revision = usePart("head", (head) => head.revision);
  const { refresh } = useWorkspace();
  const path = { slug, version };
  const since = useQuery({
    queryKey: ["since", slug, version, revision, seeing],
    queryFn: () =>
      data(
        client.GET("/api/systems/{slug}/releases/{version}/differences", { params: { path, query: seeing } }),
      ),
    placeholderData: (before) => before,
  });
  const putBack = useMutation({
    mutationFn: (id: string) =>
      data(
        client.POST("/api/systems/{slug}/releases/{version}/restorations", {
          params: { path },
          body: { ids: [id], base: revision, key: newId(), view: { parts: [] } },
        }),
      ),
    onSuccess: () => refresh(),
  });
  const begin = useBeginning(slug, version);
  const things = since.data?.things ?? [];
  return (
    <Box fontSize="12px" marginTop="6px" data-testid="since">
      {since.data && things.length === 0 && <Text>Nothing is otherwise since.</Text>}
      {things.map((thing) => (
        <Flex key={thing.id} gap="8px" align="center" minHeight="28px">
          <Flex width="44px" flexShrink={0} data-sample>
            {[thing.there, thing.here].map(
              (swatch, at) =>
                swatch && (
                  <Box
                    key={at === 0 ? "there" : "here"}
                    width="22px"
                    height="20px"
                    style={{ background: swatch.seen }}
                  />
                ),
            )}
          </Flex>
          <Text flex="1" minWidth="0" truncate title={thing.words}>
            <strong>{thing.name}</strong> {thing.words}
          </Text>
          <ToolButton
            aria-label={`Put back ${thing.name} as it was in ${version}`}
            disabled={putBack.isPending}
            onClick={() => putBack.mutate(thing.id)}
          >
            Put back
          </ToolButton>
        </Flex>
      ))}
      {putBack.error && (
        <Text role="alert" fontWeight="700">
          {problemOf(putBack.error).message}
        </Text>
      )}
      <Flex gap="8px" align="center" marginTop="6px" wrap="wrap">
        <TextField
          label={`Begin an alternative from ${version}, called`}
          width="160px"
          value=""
          onCommit={async (name) => {
            if (name.trim()) await begin.mutateAsync(name);
          }}
        />
      </Flex>
    </Box>
  );
}
