/** Releases: what will change, publishing it, the files and their address, and what is out already. */

import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { client, data } from "../../api/client";
import { Choice } from "../../components/Choice";
import { Toolbar } from "../../components/Toolbar";
import { usePart } from "../../workspace/hooks";
import { useLook, useSeeing } from "../../workspace/look";
import { releasedAt } from "../../workspace/released";
import { NextLine } from "../shared/NextLine";
import { StageBody } from "../shared/StageBody";
import { AreaOpeners } from "../shared/WorkArea";
import { ChangeStrip } from "./ChangeStrip";
import { Changes } from "./Changes";
import { EarlierRelease } from "./EarlierRelease";
import { Feed } from "./Feed";
import { PublishForm } from "./PublishForm";
import { ReleaseFiles } from "./ReleaseFiles";
import { Rules } from "./Rules";

const PRINTING_MS = 4000;
/** What is there now, as an end of a comparison. */
const NOW = "now";

export function ReleasesStage() {
  const slug = useLook((at) => at.slug);
  const seeing = useSeeing();
  const revision = usePart("head", (head) => head.revision);
  const latest = usePart("head", (head) => head.latest);
  const path = { slug };
  const read = releasedAt(slug);
  const draft = useQuery({
    queryKey: ["draft", slug, revision, seeing],
    queryFn: () => data(client.GET("/api/systems/{slug}/draft", { params: { path, query: seeing } })),
    placeholderData: (before) => before,
    enabled: read === null,
  });
  const releases = useQuery({
    queryKey: ["releases", slug],
    queryFn: () => data(client.GET("/api/systems/{slug}/releases", { params: { path } })),
    // Guides come after their releases.
    refetchInterval: (asked) => asked.state.data?.some((release) => release.printing) && PRINTING_MS,
  });
  const versions = releases.data?.map((release) => release.version) ?? [];
  const [from, setFrom] = useState<string | null>(null);
  const [until, setTo] = useState<string | null>(null);
  const to = until ?? (read ? (versions[0] ?? read.version) : NOW);
  const before = from !== null && versions.includes(from) ? from : latest;
  const usual = before === latest && to === NOW;
  const between = useQuery({
    queryKey: ["changes", slug, revision, seeing, before, to],
    queryFn: () =>
      data(
        client.GET("/api/systems/{slug}/changes", {
          params: { path, query: { ...seeing, before: before ?? "", after: to === NOW ? null : to } },
        }),
      ),
    enabled: !usual && before !== null,
    placeholderData: (was) => was,
  });
  const compared = usual ? draft.data?.compared : between.data;
  const count = draft.data?.compared.count ?? 0;
  const words = read
    ? `${read.version} as it was, and what became of it`
    : latest
      ? `${latest} is out, ${draft.data ? (count === 0 ? "no changes since" : `${count} changes`) : "reading what has changed since"}`
      : "nothing published yet";
  const title =
    draft.data === undefined && read === null
      ? "Reading what will change"
      : latest === null
        ? `The first release: ${count} tokens`
        : usual
          ? `What will change: ${count}`
          : `From ${before} to ${to}: ${compared?.count ?? 0}`;
  return (
    <>
      <Toolbar title="Releases" words={words} openers={<AreaOpeners />}>
        {latest !== null && (
          <Flex gap="8px" align="center">
            <Choice
              label="From"
              value={before ?? ""}
              items={versions.map((version) => ({ value: version, words: version }))}
              onChoose={setFrom}
            />
            <Choice
              label="to"
              value={to}
              items={[
                ...(read ? [] : [{ value: NOW, words: NOW }]),
                ...versions.map((version) => ({ value: version, words: version })),
              ]}
              onChoose={setTo}
            />
          </Flex>
        )}
      </Toolbar>
      <StageBody
        strip={<ChangeStrip compared={draft.data?.compared} title={title} />}
        display="grid"
        gridTemplateColumns="minmax(0, 1fr) minmax(0, 1fr)"
        gap="24px"
        padding="10px 20px 20px"
        alignItems="start"
      >
        <NextLine stage="releases">
          publish the first version; developers take it from the address beside.
        </NextLine>
        <Box>
          {draft.data && <PublishForm draft={draft.data} />}
          {draft.data && <Rules rules={draft.data.rules} />}
          {compared && <Changes key={title} compared={compared} title={title} />}
          <Box as="section" aria-label="Earlier releases" marginTop="16px">
            {(read ? [] : (releases.data ?? [])).map((release) => (
              <EarlierRelease key={release.version} release={release} />
            ))}
          </Box>
        </Box>
        {draft.data && <Feed draft={draft.data} latest={latest} />}
        {read && <ReleaseFiles release={releases.data?.find((each) => each.version === read.version)} />}
      </StageBody>
    </>
  );
}
