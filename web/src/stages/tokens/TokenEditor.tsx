/** The selected token, unfolded in its band: its other themes one under another, what it stands for, what is said of it. */

import { Box, Flex, Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import {
  client,
  data,
  type Edit,
  problemOf,
  type TokenDetail,
  type TokenValue,
  type TokenView,
} from "../../api/client";
import { edit } from "../../api/edits";
import { stepKey } from "../../api/keys";
import { Choice } from "../../components/Choice";
import { TextField } from "../../components/TextField";
import { ToolButton } from "../../components/ToolButton";
import { draftKey } from "../../util/drafts";
import { focusSoon, found } from "../../util/focus";
import { useSteady } from "../../util/useSteady";
import { useKnown, usePart, useWorkspace } from "../../workspace/hooks";
import type { Making } from "../../workspace/known";
import { look, useLook } from "../../workspace/look";
import { Changes } from "./Changes";
import { StepPicker } from "./StepPicker";
import { TokenCare } from "./TokenCare";

const UNFOLDED = { border: "1px solid", marginTop: "8px" };
const BELOW = {
  borderTop: "2px solid",
  flex: "0 1 auto",
  minHeight: "150px",
  maxHeight: "56%",
  overflowY: "auto",
  scrollbarGutter: "stable",
} as const;

const NO_RAMPS: TokenDetail["changes"] = [];

interface Props {
  token: TokenView;
  /** It is unfolded under its band, and as high as it is; else it stands below the sheet. */
  unfolded?: boolean;
}

export function TokenEditor({ token, unfolded = false }: Props) {
  const tokens = usePart("tokens");
  const known = useKnown(({ parts }) => parts?.token_detail);
  const theme = usePart("head", (head) => head.theme);
  const { keep, preview, endPreview } = useWorkspace();
  const slug = useLook((at) => at.slug);
  const [problem, setProblem] = useState<string | null>(null);
  // The editor opens at once; what the server tells of the token may come a moment later.
  const detail = known?.id === token.id ? known : null;
  const at = theme?.id ?? "";

  const putFrom = useSteady(async (changes: Edit[] | Making) => {
    try {
      await keep(changes);
      setProblem(null);
    } catch (thrown) {
      setProblem(problemOf(thrown).message);
    }
  });
  const put = (...changes: Edit[]) => putFrom(changes);
  const valued = (value: TokenValue) => edit("set_token_value", { token: token.id, theme: at, value });
  const become = (value: TokenValue) => put(valued(value));
  useEffect(() => endPreview, [endPreview]);
  const others = tokens.filter((other) => other.id !== token.id);
  const place = tokens.findIndex((each) => each.id === token.id);
  const move = (before: string | null) => put(edit("move_tokens", { tokens: [token.id], before }));
  const { value } = token;
  return (
    <Box
      as="section"
      aria-label={`Token ${token.name}`}
      padding="8px 20px 10px"
      bg="bg"
      color="fg"
      borderColor="fg"
      {...(unfolded ? UNFOLDED : BELOW)}
      data-testid="token-editor"
      onKeyDown={(event) => {
        if (event.key !== "Escape" || event.defaultPrevented) return;
        event.preventDefault();
        focusSoon(found(`[data-token="${CSS.escape(token.name)}"][aria-pressed="true"]`));
      }}
    >
      {detail?.taken && (
        <Flex gap="8px" align="center" fontSize="12px" marginBottom="6px" data-testid="taken">
          <Text>
            {detail.overridden ? "Stands in place of what was taken from" : "Taken from"}{" "}
            <strong>{detail.taken}</strong>
          </Text>
          <ToolButton
            onClick={() => void put(edit(detail.overridden ? "let_back" : "override", { token: token.id }))}
          >
            {detail.overridden ? "Let it be as it was taken" : "Override it here"}
          </ToolButton>
        </Flex>
      )}
      <Flex gap="10px" align="flex-end" wrap="wrap" marginBottom="8px">
        <TextField
          label="Name"
          draft={draftKey(`token ${token.id} name`, slug)}
          value={token.name}
          width="200px"
          onCommit={(name) => keep([edit("rename_token", { token: token.id, name })])}
        />
        <TextField
          label="Or a color, or a name"
          value={value.kind === "literal" ? token.hex : ""}
          placeholder="#FFFFFF"
          mono
          width="140px"
          onCommit={async (text) => {
            if (text.trim() === "") return;
            const params = { path: { slug }, query: { text } };
            const named = await data(client.GET("/api/systems/{slug}/value-named", { params }));
            await keep([valued(named.value)]);
          }}
        />
        <Choice
          label="Or as"
          value={value.kind === "token" ? (value.token ?? "") : ""}
          otherwise="another token"
          items={others.map((other) => ({ value: other.id, words: other.name }))}
          onChoose={(chosen) => void become({ kind: "token", token: chosen })}
        />
        <Flex marginLeft="auto" gap="8px">
          <ToolButton disabled={place <= 0} onClick={() => void move(tokens[place - 1]?.id ?? null)}>
            Earlier
          </ToolButton>
          <ToolButton
            disabled={place === tokens.length - 1}
            onClick={() => void move(tokens[place + 2]?.id ?? null)}
          >
            Later
          </ToolButton>
          <ToolButton onClick={() => look({ area: "standing" })}>Its uses</ToolButton>
          <ToolButton
            onClick={() => {
              look({ select: null });
              void put(edit("remove_token", { token: token.id, replacement: null }));
            }}
          >
            Remove
          </ToolButton>
        </Flex>
      </Flex>
      {problem && (
        <Text role="alert" fontWeight="700" marginBottom="6px">
          {problem}
        </Text>
      )}
      <Text fontSize="12px" marginBottom="6px">
        In {theme?.name}, <strong>{token.name}</strong> is <strong>{token.chain}</strong>.{" "}
        {value.was !== "" && <>It stood on {value.was}, which is gone; its last color is kept. </>}
        {detail?.hardest && <>Its hardest pairing is {detail.hardest}.</>}
      </Text>
      <Flex gap="16px" align="flex-start" wrap="wrap">
        <Box flex="1 1 270px" minWidth="0">
          {detail && <Themes detail={detail} token={token} put={put} />}
          <Changes
            key={`${token.id} ${at}`}
            token={token}
            ramps={detail?.changes ?? NO_RAMPS}
            onPreview={(changed) => preview([valued(changed)])}
            onChange={(changed) =>
              // From how it is when the edit's turn comes: of two quantities put one after the other both stay.
              putFrom((known) => [valued(changed(known.tokens?.find(({ id }) => id === token.id) ?? token))])
            }
          />
          {detail?.proposed.map((each) => (
            <ToolButton
              key={each.words}
              marginTop="4px"
              height="auto"
              minHeight="24px"
              whiteSpace="normal"
              textAlign="left"
              width="100%"
              justifyContent="flex-start"
              onClick={() => void become(each.value)}
            >
              <Box as="span" width="18px" height="18px" flexShrink={0} style={{ background: each.seen }} />
              Let it be {each.words}
            </ToolButton>
          ))}
        </Box>
        <Box flex="1.6 1 360px" minWidth="0">
          <StepPicker
            chosen={value.kind === "step" ? stepKey(value.hue ?? "", value.step ?? "") : null}
            own={value.kind === "hue" ? value.hue : null}
            {...(detail ? { readings: detail.readings } : {})}
            onChoose={(hue, step) => void become({ kind: "step", hue, step })}
            onHue={(hue) => void become({ kind: "hue", hue })}
            onTry={(step) => (step ? preview([valued({ kind: "step", ...step })]) : endPreview())}
          />
          <Text fontSize="12px" color="fg.muted" marginTop="4px">
            Every step prints what it would read there; the line bounds what passes. Arrows try a step, Enter
            keeps it, Esc returns. A hue’s name takes the hue itself.
          </Text>
        </Box>
      </Flex>
      <TokenCare token={token} rule={detail?.rule ?? ""} />
    </Box>
  );
}

/** The token in every theme, one under another, each on its own ground. */
function Themes({
  detail,
  token,
  put,
}: {
  detail: TokenDetail;
  token: TokenView;
  put: (...edits: Edit[]) => Promise<void>;
}) {
  const shown = usePart("head", (head) => head.theme?.id);
  return (
    <Box data-testid="token-themes" border="1px solid" borderColor="border">
      {detail.themes.map((each, place) => (
        <Flex
          key={each.theme}
          gap="8px"
          align="center"
          padding="5px 8px"
          fontSize="12px"
          style={{ background: each.ground.seen, color: each.ground.ink }}
        >
          <Box
            width="36px"
            height="24px"
            flexShrink={0}
            style={{ background: each.seen, opacity: each.alpha }}
          />
          <Box flex="1" minWidth="0">
            <button
              type="button"
              aria-pressed={each.theme === shown}
              style={{
                fontWeight: 700,
                minHeight: 24,
                minWidth: 24,
                textDecoration: each.theme === shown ? "underline" : "none",
              }}
              onClick={() => look({ theme: each.theme })}
            >
              {each.name}
            </button>{" "}
            is {each.chain}
            {each.reads !== "" && <>: {each.reads}</>}
            {each.holds === false && ", falls short"}
          </Box>
          {each.own && place > 0 && (
            <button
              type="button"
              style={{ textDecoration: "underline", minHeight: 24 }}
              aria-label={`Follow in ${each.name}`}
              title="Take away what this theme says, so that the token follows the theme that it rests on"
              onClick={() => void put(edit("let_token_follow", { token: token.id, theme: each.theme }))}
            >
              Follow
            </button>
          )}
        </Flex>
      ))}
    </Box>
  );
}
