/** Alternatives: further versions of the system; what differs, thing by thing; take over, keep one, share by a link. */
import { Box, Flex, Link, Text } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link as RouterLink } from "react-router";
import { client, type DifferencesView, data, problemOf } from "../../../api/client";
import { newId } from "../../../api/ids";
import { TextField } from "../../../components/TextField";
import { ToolButton } from "../../../components/ToolButton";
import { copyText } from "../../../util/copy";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { look, useLook, useSeeing } from "../../../workspace/look";
import { useAlternatives } from "../../../workspace/useAlternatives";
import { Area } from "../../shared/Area";

export function AlternativesArea() {
  const slug = useLook((at) => at.slug);
  const others = useAlternatives();
  const queries = useQueryClient();
  const [other, setOther] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const all = others.data ?? [];
  const compared = all.find((each) => each.slug === other && !each.here) ?? all.find((each) => !each.here);
  const path = { params: { path: { slug } } };
  const again = () => queries.invalidateQueries({ queryKey: ["alternatives"] });
  const add = async (name: string) => {
    if (name.trim() === "") return;
    const made = await data(client.POST("/api/systems/{slug}/alternatives", { ...path, body: { name } }));
    await again();
    setOther(made.slug);
  };
  const act = useMutation({
    mutationFn: async (wish: { slug: string; what: "share" | "unshare" | "remove" }) => {
      const there = { params: { path: { slug: wish.slug } } };
      if (wish.what === "remove") await data(client.DELETE("/api/systems/{slug}/alternative", there));
      else
        await data(
          client.POST("/api/systems/{slug}/share", { ...there, body: { shared: wish.what === "share" } }),
        );
      await again();
    },
    onError: (thrown) => setProblem(problemOf(thrown).message),
    onSuccess: () => setProblem(null),
  });
  return (
    <Area title="Alternatives">
      <Flex gap="24px" align="flex-start" wrap="wrap" fontSize="12px">
        <Box flex="1 1 320px" minWidth="0" data-testid="alternatives">
          {all.map((each) => (
            <Flex key={each.slug} gap="8px" align="center" minHeight="30px" wrap="wrap">
              <Text fontWeight={each.here ? "700" : "400"} minWidth="90px">
                {each.name}
                {each.here && ", this one"}
              </Text>
              {!each.here && (
                <>
                  <Link
                    asChild
                    textDecoration="underline"
                    minHeight="24px"
                    alignItems="center"
                    display="inline-flex"
                  >
                    <RouterLink to={`/systems/${each.slug}/tokens?area=alternatives`}>Open</RouterLink>
                  </Link>
                  <ToolButton onClick={() => look({ beside: each.slug, area: null })}>
                    Its sheet beside this one
                  </ToolButton>
                  <ToolButton aria-pressed={compared?.slug === each.slug} onClick={() => setOther(each.slug)}>
                    Compare with {each.name}
                  </ToolButton>
                </>
              )}
              {each.share_key ? (
                <>
                  <ToolButton
                    onClick={() => void copyText(`${window.location.origin}/shared/${each.share_key}`)}
                  >
                    Copy the link
                  </ToolButton>
                  <Link
                    asChild
                    textDecoration="underline"
                    minHeight="24px"
                    alignItems="center"
                    display="inline-flex"
                  >
                    <RouterLink to={`/shared/${each.share_key}`} data-testid="share-link">
                      Look as they do
                    </RouterLink>
                  </Link>
                  <ToolButton onClick={() => act.mutate({ slug: each.slug, what: "unshare" })}>
                    End the link
                  </ToolButton>
                </>
              ) : (
                <ToolButton onClick={() => act.mutate({ slug: each.slug, what: "share" })}>
                  Share {each.name} by a link
                </ToolButton>
              )}
              {each.name !== "main" && !each.here && (
                <ToolButton onClick={() => act.mutate({ slug: each.slug, what: "remove" })}>
                  Remove {each.name}
                </ToolButton>
              )}
            </Flex>
          ))}
          {problem && (
            <Text role="alert" fontWeight="700">
              {problem}
            </Text>
          )}
          <TextField
            key={all.length}
            label="A new alternative, from what stands here"
            value=""
            placeholder="calmer"
            width="220px"
            onCommit={add}
          />
        </Box>
        <Box flex="1.6 1 420px" minWidth="0">
          {compared ? (
            <Differences key={compared.slug} other={compared.slug} name={compared.name} />
          ) : (
            <Text>
              Make an alternative, change it, and see both side by side: nothing of it touches this one until
              you take it over.
            </Text>
          )}
        </Box>
      </Flex>
    </Area>
  );
}

function Differences({ other, name }: { other: string; name: string }) {
  const slug = useLook((at) => at.slug);
  const seeing = useSeeing();
  const revision = usePart("head", (head) => head.revision);
  const { refresh } = useWorkspace();
  const [taking, setTaking] = useState(false);
  const [refused, setRefused] = useState<string | null>(null);
  const query = useQuery({
    queryKey: ["differences", slug, revision, other, seeing],
    queryFn: () =>
      data(
        client.GET("/api/systems/{slug}/differences", {
          params: { path: { slug }, query: { other, ...seeing } },
        }),
      ),
    staleTime: 0,
    retry: false,
  });
  const take = async (ids: string[]) => {
    setTaking(true);
    try {
      await data(
        client.POST("/api/systems/{slug}/merges", {
          params: { path: { slug } },
          body: { other, ids, base: revision, key: newId(), view: { parts: ["head"] } },
        }),
      );
      setRefused(null);
      refresh();
    } catch (thrown) {
      setRefused(problemOf(thrown).message);
    } finally {
      setTaking(false);
    }
  };
  const found = query.data;
  const theirs = (found?.things ?? []).filter((each) => each.since === "there");
  if (query.error) return <Text role="alert">{problemOf(query.error).message}</Text>;
  if (!found) return null;
  return (
    <Box data-testid="differences">
      <Flex gap="10px" align="center" marginBottom="4px">
        <Text flex="1">
          {found.things.length === 0
            ? `${name} is the same.`
            : `${counted(found.things.length, "thing")} in ${name} otherwise, ${counted(found.colors, "token")} of another color.`}
        </Text>
        {theirs.length > 0 && (
          <ToolButton disabled={taking} onClick={() => void take(theirs.map((each) => each.id))}>
            {theirs.length === found.things.length
              ? "Take all over"
              : `Take over the ${theirs.length} changed there`}
          </ToolButton>
        )}
      </Flex>
      {refused && (
        <Text role="alert" fontWeight="700">
          {refused}
        </Text>
      )}
      <Box role="group" aria-label="What differs">
        {SINCE.map(([since, heading]) => {
          const things = found.things.filter((each) => each.since === since);
          if (things.length === 0) return null;
          return (
            <Box key={since} role="group" aria-label={heading} data-testid={`changed-${since}`}>
              {since !== "there" && (
                <Text color="fg.muted" marginTop="6px">
                  {heading}
                </Text>
              )}
              {things.map((each) => (
                <Thing key={each.id} thing={each} onTake={() => void take([each.id])} disabled={taking} />
              ))}
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}

/** In which order what differs is told; what only this one has changed would be taken back by taking it over. */
const SINCE: [DifferencesView["things"][number]["since"], string][] = [
  ["there", "Changed there"],
  ["both", "Changed in both since they parted: taking one over replaces what was done here"],
  ["here", "Changed here alone since they parted: taking one over takes that back"],
];

function Thing({
  thing,
  onTake,
  disabled,
}: {
  thing: DifferencesView["things"][number];
  onTake: () => void;
  disabled: boolean;
}) {
  return (
    <Flex gap="10px" align="center" minHeight="28px">
      <Flex alignSelf="stretch" flexShrink={0} width="56px">
        {thing.here && <Box width="28px" style={{ background: thing.here.seen }} />}
        {thing.there && <Box width="28px" style={{ background: thing.there.seen }} />}
      </Flex>
      <Text fontWeight="700">{thing.name}</Text>
      <Text flex="1" minWidth="0" truncate title={thing.words}>
        {thing.words}
      </Text>
      <ToolButton disabled={disabled} aria-label={`Take ${thing.name} over`} onClick={onTake}>
        Take over
      </ToolButton>
    </Flex>
  );
}

const counted = (number: number, what: string) => `${number} ${what}${number === 1 ? "" : "s"}`;
