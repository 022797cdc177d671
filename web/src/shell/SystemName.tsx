/** The system's name: opens its renaming, the other systems, and its history. */

import { Box, Flex, Link, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { Link as RouterLink } from "react-router";
import { client, data } from "../api/client";
import { edit } from "../api/edits";
import { Opener } from "../components/Opener";
import { PopoverPanel } from "../components/panels";
import { TextField } from "../components/TextField";
import { useKnown, useWorkspace } from "../workspace/hooks";
import { useLook } from "../workspace/look";

const LATEST = 8;

export function SystemName() {
  const name = useKnown(({ parts }) => parts?.head?.name ?? "");
  const alternative = useLook((at) => at.slug.split(/[~@]/)[1]);
  const revision = useKnown(({ parts }) => parts?.head?.revision ?? 0);
  return (
    <Opener
      opens="dialog"
      panel={(opened) => (
        <PopoverPanel {...opened} label="System" placement="bottom-start" width="340px" padding="14px">
          <Panel name={name} revision={revision} onLeave={() => opened.onOpen(false)} />
        </PopoverPanel>
      )}
      variant="ghost"
      height="100%"
      borderRadius="0"
      paddingInline="14px"
      fontSize="13px"
      fontWeight="700"
      maxWidth="200px"
      minWidth="0"
      aria-label={`${[name, alternative].filter(Boolean).join(" ")}: rename it, open another, read its history`}
      title="Rename it, open another, read its history"
    >
      <Text as="span" truncate>
        {name}{" "}
        {alternative && (
          <Text as="span" fontWeight="400" marginLeft="2px">
            {alternative}
          </Text>
        )}
      </Text>
    </Opener>
  );
}

function Panel({ name, revision, onLeave }: { name: string; revision: number; onLeave: () => void }) {
  const slug = useLook((at) => at.slug);
  const { keep } = useWorkspace();
  const systems = useQuery({ queryKey: ["systems"], queryFn: () => data(client.GET("/api/systems")) });
  const history = useQuery({
    queryKey: ["history", slug, revision],
    queryFn: () => data(client.GET("/api/systems/{slug}/history", { params: { path: { slug } } })),
  });
  return (
    <>
      <TextField
        label="Name of the system"
        value={name}
        width="100%"
        onCommit={(wanted) => keep([edit("rename_system", { name: wanted })])}
      />
      <Text fontSize="12px" color="fg.muted" marginTop="12px">
        Systems
      </Text>
      {systems.data?.map((system) => (
        <Link
          key={system.slug}
          asChild
          display="flex"
          minHeight="26px"
          color="fg"
          fontWeight={system.slug === slug ? "700" : "400"}
        >
          <RouterLink to={`/systems/${system.slug}/sources`} onClick={onLeave}>
            {system.name}
          </RouterLink>
        </Link>
      ))}
      <Text fontSize="12px" color="fg.muted" marginTop="12px">
        History
      </Text>
      <Box as="ol" data-testid="history">
        {history.data?.slice(0, LATEST).map((entry) => (
          <Flex as="li" key={entry.number} gap="8px" fontSize="12px" paddingBlock="2px">
            <Text as="span" flex="1">
              {entry.sentence}
            </Text>
            <Text as="span" color="fg.muted" whiteSpace="nowrap">
              {entry.person},{" "}
              {new Date(entry.at).toLocaleTimeString("en-US", {
                hour: "2-digit",
                minute: "2-digit",
                hour12: false,
              })}
            </Text>
          </Flex>
        ))}
      </Box>
    </>
  );
}
