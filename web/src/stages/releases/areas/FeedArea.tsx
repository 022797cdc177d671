/** Keys and previews: who may fetch the feed, who is behind, and what is out to be tried before it is released. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { client, data, type FeedView, type KeyView, problemOf } from "../../../api/client";
import { Switch } from "../../../components/Switch";
import { TextField } from "../../../components/TextField";
import { ToolButton } from "../../../components/ToolButton";
import { copyText } from "../../../util/copy";
import { few } from "../../../util/few";
import { usePart } from "../../../workspace/hooks";
import { useLook } from "../../../workspace/look";
import { Area } from "../../shared/Area";

const NAMED = 4;
const EVERY_MS = 15_000;

export function FeedArea() {
  const slug = useLook((at) => at.slug);
  const revision = usePart("head", (head) => head.revision);
  const queries = useQueryClient();
  const key = ["feed", slug];
  const path = { slug };
  const feed = useQuery({
    queryKey: key,
    queryFn: () => data(client.GET("/api/systems/{slug}/feed", { params: { path } })),
    refetchInterval: EVERY_MS,
  });
  const [made, setMade] = useState<{ name: string; key: string } | null>(null);
  const [said, setSaid] = useState("");
  const took = (view: FeedView) => queries.setQueryData(key, view);
  const asking = useMutation({
    mutationFn: (keyed: boolean) =>
      data(client.PUT("/api/systems/{slug}/feed", { params: { path }, body: { keyed } })),
    onSuccess: took,
  });
  const revoke = useMutation({
    mutationFn: (key_id: number) =>
      data(client.DELETE("/api/systems/{slug}/feed/keys/{key_id}", { params: { path: { slug, key_id } } })),
    onSuccess: took,
  });
  const end = useMutation({
    mutationFn: (name: string) =>
      data(client.DELETE("/api/systems/{slug}/feed/previews/{name}", { params: { path: { slug, name } } })),
    onSuccess: took,
  });
  const makeKey = async (name: string) => {
    if (!name.trim()) return;
    const answer = await data(
      client.POST("/api/systems/{slug}/feed/keys", { params: { path }, body: { name } }),
    );
    setMade({ name: name.trim(), key: answer.key });
    took(answer.feed);
  };
  const tryOut = async (name: string) => {
    if (!name.trim()) return;
    const body = { revision, name: name.trim() };
    took(await data(client.POST("/api/systems/{slug}/feed/previews", { params: { path }, body })));
    setSaid(`Revision ${revision} is out as ${name.trim()}, to be tried.`);
  };
  const copy = async (text: string) =>
    setSaid((await copyText(text)) ? "Copied." : "Copying was refused; select it.");
  const problem = asking.error ?? revoke.error ?? end.error ?? feed.error;
  const { keyed = false, keys = [], previews = [], address = "" } = feed.data ?? {};
  const origin = window.location.origin;
  return (
    <Area
      title="Keys and previews"
      tools={
        <Switch
          on={keyed}
          disabled={!feed.data || asking.isPending}
          title="Without a key the feed answers nobody then"
          onClick={() => asking.mutate(!keyed)}
        >
          Only with a key
        </Switch>
      }
    >
      <Text role="status" fontSize="12px" fontWeight="700" minHeight="18px">
        {problem ? problemOf(problem).message : said}
      </Text>
      <Flex gap="28px" align="flex-start" wrap="wrap" fontSize="12px">
        <Box flex="2 1 420px" minWidth="0">
          <Text fontWeight="700">
            {keyed ? "Who may fetch this feed" : "Anybody may fetch this feed; a key tells who is behind"}
          </Text>
          <TextField
            key={keys.length}
            label="Make a key for"
            placeholder="ticket page"
            value=""
            width="190px"
            onCommit={makeKey}
          />
          {made && (
            <Flex
              gap="8px"
              align="center"
              wrap="wrap"
              borderLeft="4px solid"
              borderColor="fg"
              paddingLeft="10px"
              marginBlock="8px"
              data-testid="made-key"
            >
              <Text>
                The key of {made.name}, told this once: <code>{made.key}</code>
              </Text>
              <ToolButton onClick={() => void copy(made.key)}>Copy it</ToolButton>
              <ToolButton
                title="For a stylesheet’s link, which sends no header"
                onClick={() => void copy(`${origin}${address}key/${made.key}/latest/tokens.css`)}
              >
                Copy an address with it
              </ToolButton>
            </Flex>
          )}
          <Box data-testid="keys">
            {keys.map((each) => (
              <KeyRow key={each.id} of={each} onRevoke={() => revoke.mutate(each.id)} />
            ))}
          </Box>
        </Box>
        <Box flex="1 1 300px" minWidth="0">
          <Text fontWeight="700">To be tried before it is released</Text>
          <TextField
            key={previews.map((each) => each.version).join()}
            label="Put what is here now out as"
            placeholder="next"
            value=""
            width="190px"
            onCommit={tryOut}
          />
          {previews.map((each) => (
            <Box key={each.name} borderTop="1px solid" borderColor="border" paddingBlock="6px">
              <Text>
                <strong>{each.name}</strong>, {each.version}, by {each.person}
              </Text>
              <Text fontFamily="mono" overflowWrap="anywhere">
                {origin}
                {each.address}tokens.css
              </Text>
              <Flex gap="8px" marginTop="4px">
                <ToolButton
                  aria-label={`Copy the address of ${each.name}`}
                  onClick={() => void copy(`${origin}${each.address}tokens.css`)}
                >
                  Copy the address
                </ToolButton>
                <ToolButton aria-label={`Take it back: ${each.name}`} onClick={() => end.mutate(each.name)}>
                  Take it back
                </ToolButton>
              </Flex>
            </Box>
          ))}
          {previews.length === 0 && (
            <Text color="fg.muted" marginTop="4px">
              Nothing is out to be tried. A preview has an address of its own, may be replaced, and is never
              the latest.
            </Text>
          )}
        </Box>
      </Flex>
    </Area>
  );
}

function KeyRow({ of: key, onRevoke }: { of: KeyView; onRevoke: () => void }) {
  return (
    <Flex gap="12px" align="center" borderTop="1px solid" borderColor="border" minHeight="32px">
      <Box flex="1" minWidth="0" paddingBlock="4px">
        <Text truncate title={key.name} {...(key.revoked ? { textDecoration: "line-through" } : {})}>
          <strong>{key.name}</strong>
        </Text>
        <Text color="fg.muted">{standing(key)}</Text>
        {!key.revoked && key.gone.length > 0 && (
          <Text fontWeight="700">Still uses what is gone: {few(key.gone, NAMED)}.</Text>
        )}
        {!key.revoked && key.going.length > 0 && (
          <Text>Uses what is on its way out: {few(key.going, NAMED)}.</Text>
        )}
      </Box>
      {key.revoked ? (
        <Text>revoked</Text>
      ) : (
        <ToolButton aria-label={`Revoke the key of ${key.name}`} onClick={onRevoke}>
          Revoke
        </ToolButton>
      )}
    </Flex>
  );
}

function standing(key: KeyView): string {
  const made = `made by ${key.person}, ${day(key.at)}`;
  if (!key.used_at) return `${made}; never used`;
  const behind =
    key.behind === null
      ? ""
      : key.behind === 0
        ? ", the latest"
        : `, ${key.behind} ${key.behind === 1 ? "release" : "releases"} behind`;
  return `fetched ${key.used_version}${behind}, ${day(key.used_at)}; ${made}`;
}

const day = (at: string) => new Date(at).toLocaleString("en-US", { dateStyle: "medium", timeStyle: "short" });
