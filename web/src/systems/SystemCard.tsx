/** A system in the list: its hues edge to edge, how far it has come, and what is done with it as a whole. */
import { Box, Flex, Link, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { Link as RouterLink } from "react-router";
import type { SystemCardView } from "../api/client";
import { ToolButton } from "../components/ToolButton";
import { server } from "../workspace/server";

const counted = (count: number, one: string, many = `${one}s`) => `${count} ${count === 1 ? one : many}`;
const day = (at: string) => new Date(at).toLocaleDateString("en-US", { month: "short", day: "numeric" });

interface Props {
  system: SystemCardView;
  /** Whether it is looked into, beyond what the list knows. */
  looked: boolean;
  onCopy: () => void;
  onArchive: (archived: boolean) => void;
}

export function SystemCard({ system, looked, onCopy, onArchive }: Props) {
  const { slug, name, latest, changed_at, problem, archived } = system;
  // What is to settle takes a look at the whole system: it comes once the list stands.
  const head = useQuery({
    queryKey: ["card", slug, changed_at],
    queryFn: () => server.open(slug, { parts: ["head"] }),
    enabled: looked && !problem && !archived,
    retry: false,
  }).data?.head;
  const settled = head && (head.findings > 0 ? `${head.findings} to settle` : "nothing to settle");
  const out = latest
    ? `${latest} is out${head ? (head.changed > 0 ? ", changed since" : ", nothing changed since") : ""}`
    : "nothing published yet";
  const words = [
    `${counted(system.hues.length, "hue")} in ${counted(system.kinds, "kind")}`,
    ...(system.tokens > 0
      ? [counted(system.tokens, "token"), counted(system.themes, "theme")]
      : ["no tokens yet"]),
    ...(settled ? [settled] : []),
    out,
  ];
  return (
    <Box as="section" aria-label={name} marginBottom="20px" data-system={slug}>
      <Link asChild display="block" color="fg" _hover={{ textDecoration: "none" }} className="group">
        <RouterLink to={`/systems/${slug}/sources`}>
          <Flex height={archived ? "24px" : "72px"} marginBottom="6px" aria-hidden="true" data-sample>
            {system.hues.map((hue, place) => (
              <Box key={system.hue_names[place]} flex="1" style={{ background: hue.seen }} />
            ))}
          </Flex>
          <Text fontSize="16px" fontWeight="700" _groupHover={{ textDecoration: "underline" }}>
            {name}
          </Text>
        </RouterLink>
      </Link>
      <Flex gap="12px" align="baseline" wrap="wrap">
        <Text color="fg.muted" flex="1 1 300px">
          {words.join(", ")}
          {system.rests_on && `; rests on ${system.rests_on}`}
        </Text>
        <Text color="fg.muted">changed {day(changed_at)}</Text>
        <ToolButton aria-label={`Duplicate ${name}`} onClick={onCopy} disabled={problem !== null}>
          Duplicate
        </ToolButton>
        <ToolButton
          aria-label={`${archived ? "Bring back" : "Put away"} ${name}`}
          onClick={() => onArchive(!archived)}
        >
          {archived ? "Bring back" : "Put away"}
        </ToolButton>
      </Flex>
      {problem && <Text fontWeight="700">{problem}</Text>}
    </Box>
  );
}
