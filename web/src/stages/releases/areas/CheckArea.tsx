/** Checking a stylesheet, a page or a drawing against a release: what is none of it, what was meant, and a patch. */
import { Box, Flex, Text, Textarea } from "@chakra-ui/react";
import { useMutation } from "@tanstack/react-query";
import { useId, useRef } from "react";
import { asItIs, type CheckedView, client, data, problemOf } from "../../../api/client";
import { ToolButton } from "../../../components/ToolButton";
import { download } from "../../../util/download";
import { draftKey, useDraft } from "../../../util/drafts";
import { useLook } from "../../../workspace/look";
import { Area } from "../../shared/Area";

const SHOWN = 200;
const KINDS: Record<CheckedView["kind"], string> = {
  "by hand": "typed by hand",
  outside: "none of the release",
  unknown: "a name that is not there",
  deprecated: "on its way out",
  undeclared: "never declared",
  "falls short": "falls short",
};

export function CheckArea() {
  const slug = useLook((at) => at.slug);
  const id = useId();
  const file = useRef<HTMLInputElement>(null);
  const [text, setText] = useDraft(draftKey("check", slug));
  const check = useMutation({
    mutationFn: (checked: string | File) =>
      data(
        client.POST("/api/systems/{slug}/check", {
          params: { path: { slug } },
          body: checked as string,
          bodySerializer: asItIs,
          headers: { "Content-Type": "text/plain" },
        }),
      ),
  });
  const found = check.data?.found ?? [];
  return (
    <Area
      title="Check a stylesheet"
      tools={
        <>
          <ToolButton onClick={() => file.current?.click()}>Open a file</ToolButton>
          <input
            ref={file}
            type="file"
            hidden
            aria-label="A file to check"
            accept=".css,.scss,.html,.svg,.json,.ts,.tsx,.js,.jsx,text/*"
            onChange={(event) => {
              const [chosen] = Array.from(event.target.files ?? []);
              event.target.value = "";
              if (chosen) check.mutate(chosen);
            }}
          />
        </>
      }
      actions={
        <>
          {check.data?.patch && (
            <ToolButton
              title="A unified diff: what is sure is put in place"
              onClick={() => download("tokens.patch", check.data.patch, "text/x-diff")}
            >
              Download the patch
            </ToolButton>
          )}
          <ToolButton disabled={!text.trim() || check.isPending} onClick={() => check.mutate(text)}>
            Check it
          </ToolButton>
        </>
      }
    >
      <label htmlFor={id}>
        <Text fontSize="12px" color="fg.muted">
          Paste a stylesheet, a page or a drawing: colors that are none of the release, names it does not
          know, and pairs of text and ground that nobody declared
        </Text>
      </label>
      <Textarea
        id={id}
        rows={4}
        fontFamily="mono"
        fontSize="12px"
        spellCheck={false}
        value={text}
        placeholder={".late { color: #DF5A33; background: var(--surface-crad); }"}
        onChange={(event) => setText(event.target.value)}
      />
      <Box role="status" fontSize="12px" marginTop="6px" data-testid="check-said">
        {check.isPending && "Checking"}
        {check.error && <strong>{problemOf(check.error).message}</strong>}
        {check.data && !check.isPending && (
          <strong>
            {found.length === 0
              ? `Everything in it is of ${check.data.version}.`
              : `${(found.length + check.data.more).toLocaleString("en-US")} places, against ${check.data.version}.`}
          </strong>
        )}
      </Box>
      <Box data-testid="checked">
        {found.slice(0, SHOWN).map((each, place) => (
          <Flex
            // The same may stand twice in a line.
            // biome-ignore lint/suspicious/noArrayIndexKey: a place has no other name
            key={place}
            gap="12px"
            align="center"
            minHeight="24px"
            fontSize="12px"
            borderBottom="1px solid"
            borderColor="border"
          >
            <Text width="64px" flexShrink={0}>
              line {each.line}
            </Text>
            <Box
              width="14px"
              height="14px"
              flexShrink={0}
              style={{
                background: each.kind === "by hand" || each.kind === "outside" ? each.text : undefined,
              }}
            />
            <Text width="210px" flexShrink={0} fontFamily="mono" truncate title={each.text}>
              {each.text.startsWith("var(") ? `${each.text})` : each.text}
            </Text>
            <Text width="150px" flexShrink={0}>
              {KINDS[each.kind]}
            </Text>
            <Text truncate>{meant(each)}</Text>
          </Flex>
        ))}
        {found.length > SHOWN && <Text fontSize="12px">and {found.length - SHOWN} more.</Text>}
      </Box>
    </Area>
  );
}

function meant({ kind, token, distance, instead, ratio, theme, needed }: CheckedView): string {
  if (ratio)
    return needed
      ? `${ratio} in ${theme}, ${needed} is needed`
      : `no pairing says what it is for; ${ratio} in ${theme}`;
  if (!token) return kind === "deprecated" ? "Nothing stands in for it." : "Nothing like it is there.";
  if (kind === "outside" && !instead) return `nearest is ${token}, CIEDE2000 ${distance}`;
  return `${token} is meant${distance ? `, CIEDE2000 ${distance}` : ""}`;
}
