/** Rest on another system: what is taken from it at which version, what a newer one changes, what is said here. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { client, data, problemOf } from "../../../api/client";
import { edit } from "../../../api/edits";
import { newId } from "../../../api/ids";
import { Choice } from "../../../components/Choice";
import { Switch } from "../../../components/Switch";
import { ToolButton } from "../../../components/ToolButton";
import { few } from "../../../util/few";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { useLook, useSeeing } from "../../../workspace/look";
import { Area } from "../../shared/Area";
import { Changes } from "../Changes";

/** What rests on all of a company's colors seldom wants its brands. */
const NAMED = 6;
const USUAL = ["neutral", "status"];

export function RestingArea() {
  const slug = useLook((at) => at.slug);
  const seeing = useSeeing();
  const revision = usePart("head", (head) => head.revision);
  const { put, refresh } = useWorkspace();
  const path = { slug };
  const resting = useQuery({
    queryKey: ["resting", slug, revision, seeing],
    queryFn: () => data(client.GET("/api/systems/{slug}/resting", { params: { path, query: seeing } })),
    placeholderData: (before) => before,
  });
  const { taken = null, newer = null, offers = [] } = resting.data ?? {};
  const [wanted, setWanted] = useState<string | null>(null);
  const address = wanted ?? taken?.address ?? offers[0]?.address;
  const offer = offers.find((each) => each.address === address);
  const [turned, setTurned] = useState<Record<string, boolean>>({});
  const isOn = (hue: { id: string; kind: string }) =>
    turned[hue.id] ??
    (taken?.address === address ? taken?.chosen.includes(hue.id) : USUAL.includes(hue.kind));
  const hues = offer?.hues.filter(isOn).map((hue) => hue.id) ?? [];
  const all = hues.length === offer?.hues.length;
  const plan = useQuery({
    queryKey: ["resting plan", slug, revision, address, offer?.version, hues],
    queryFn: () => {
      const body = { address: address ?? "", version: offer?.version ?? "", hues };
      return data(client.POST("/api/systems/{slug}/resting/plan", { params: { path }, body }));
    },
    enabled: offer !== undefined && hues.length > 0,
    placeholderData: (before) => before,
    retry: false,
  });
  const rest = useMutation({
    mutationFn: () => {
      const body = { address: address ?? "", version: offer?.version ?? "", hues };
      const more = { base: revision, key: newId(), view: { parts: [] } };
      return data(
        client.POST("/api/systems/{slug}/resting", { params: { path }, body: { ...body, ...more } }),
      );
    },
    onSuccess: () => {
      setTurned({});
      refresh();
    },
  });
  const same = taken !== null && taken.address === address && taken.version === offer?.version;
  const problem = rest.error ?? (hues.length > 0 ? plan.error : null) ?? resting.error;
  return (
    <Area
      title="Rest on another"
      tools={
        offers.length > 0 && (
          <Choice
            label="System"
            value={address ?? ""}
            items={offers.map((each) => ({ value: each.address, words: `${each.name} ${each.version}` }))}
            onChoose={(chosen) => {
              setWanted(chosen);
              setTurned({});
            }}
          />
        )
      }
      actions={
        <>
          {taken && (
            <ToolButton
              title="What was taken stays, as this system’s own"
              onClick={() => void put(edit("leave_base", {}))}
            >
              Rest on it no more
            </ToolButton>
          )}
          <ToolButton
            disabled={
              !offer || hues.length === 0 || rest.isPending || (same && Object.keys(turned).length === 0)
            }
            onClick={() => rest.mutate()}
          >
            {taken?.address === address ? `Take ${offer?.version ?? ""}` : "Rest on it"}
          </ToolButton>
        </>
      }
    >
      <Box fontSize="12px" data-testid="resting">
        {problem && (
          <Text role="alert" fontWeight="700">
            {problemOf(problem).message}
          </Text>
        )}
        {taken && (
          <Text>
            Rests on{" "}
            <strong>
              {taken.name} {taken.version}
            </strong>
            : {taken.hues} hues and {taken.tokens} tokens are taken from it
            {taken.overridden.length > 0 &&
              `, of which ${taken.overridden.join(", ")} is said otherwise here`}
            . What is taken is changed there; a token can be overridden here, in Tokens.
          </Text>
        )}
        {resting.data && offers.length === 0 && !taken && (
          <Text>
            No other system has a release to rest on yet. A site rests on its company’s system: it takes hues
            and tokens at a version, and adds its own.
          </Text>
        )}
        {newer && newer.compared.count > 0 && (
          <Box marginTop="8px">
            <Changes
              compared={newer.compared}
              title={`${newer.version} is out; of what is taken it changes ${newer.compared.count}`}
            />
          </Box>
        )}
        {newer && newer.compared.count === 0 && (
          <Text marginTop="6px">
            <strong>{newer.version} is out</strong>; of what is taken it changes nothing.
          </Text>
        )}
        {offer && (
          <Box marginTop="10px">
            <Text color="fg.muted" marginBottom="4px">
              {offer.hues.length > 0
                ? `Hues to take from ${offer.name} ${offer.version}, with every token that stands on no other hue`
                : `${offer.name} ${offer.version} holds no scales, so nothing can be taken from it; they are published where its Tokens say so.`}
            </Text>
            {offer.hues.length > 0 && (
              <Flex gap="10px" align="center" minHeight="30px">
                <ToolButton
                  width="150px"
                  onClick={() => setTurned(Object.fromEntries(offer.hues.map((hue) => [hue.id, !all])))}
                >
                  {all ? "None of them" : "All of them"}
                </ToolButton>
                <Text data-testid="resting-plan" aria-live="polite" title={plan.data?.own.join(", ")}>
                  {plan.data && hues.length > 0 && (
                    <strong>
                      {plan.data.hues} hues and {plan.data.tokens} tokens would be taken.
                    </strong>
                  )}
                  {plan.data &&
                    hues.length > 0 &&
                    plan.data.own.length > 0 &&
                    ` Said here already, and kept: ${few(plan.data.own, NAMED)}.`}
                  {hues.length === 0 && "Nothing is chosen."}
                </Text>
              </Flex>
            )}
            {offer.hues.map((hue) => (
              <Flex key={hue.id} gap="10px" align="center" minHeight="30px">
                <Switch
                  on={Boolean(isOn(hue))}
                  width="150px"
                  justifyContent="flex-start"
                  onClick={() => setTurned({ ...turned, [hue.id]: !isOn(hue) })}
                >
                  {hue.name}
                </Switch>
                <Flex flex="1" maxWidth="420px" height="22px" data-sample>
                  {hue.colors.map((color, place) => (
                    // biome-ignore lint/suspicious/noArrayIndexKey: a step has no other name here
                    <Box key={place} flex="1" style={{ background: color }} />
                  ))}
                </Flex>
                <Text color="fg.muted">{hue.kind}</Text>
              </Flex>
            ))}
          </Box>
        )}
      </Box>
    </Area>
  );
}
