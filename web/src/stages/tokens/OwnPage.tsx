/** A page of the team's own, drawn with the published custom properties: shown in a frame in which nothing runs. */
import { Box, Flex, Text, Textarea } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { asItIs, client, data, problemOf } from "../../api/client";
import { ToolButton } from "../../components/ToolButton";
import { draftKey, useDraft } from "../../util/drafts";
import { usePart } from "../../workspace/hooks";
import { useLook } from "../../workspace/look";

const SAMPLE = `<h1 style="color: var(--text-strong)">Skarvik to Tarnsey</h1>
<p style="color: var(--text-plain)">Four sailings on Tuesday.</p>
<button style="background: var(--action-main-fill); color: var(--action-main-label)">Book</button>`;

export function OwnPage() {
  const slug = useLook((at) => at.slug);
  const queries = useQueryClient();
  const path = { params: { path: { slug } } };
  const query = useQuery({
    queryKey: ["own-page", slug],
    queryFn: () => data(client.GET("/api/systems/{slug}/own-page", { ...path, parseAs: "text" })),
    retry: false,
  });
  const there = typeof query.data === "string";
  const again = () => queries.invalidateQueries({ queryKey: ["own-page", slug] });
  const keep = useMutation({
    mutationFn: (markup: string | File) =>
      data(
        client.PUT("/api/systems/{slug}/own-page", {
          ...path,
          body: markup as string,
          bodySerializer: asItIs,
          headers: { "Content-Type": "text/html" },
        }),
      ),
    onSuccess: again,
  });
  const remove = useMutation({
    mutationFn: () => data(client.DELETE("/api/systems/{slug}/own-page", path)),
    onSuccess: () => queries.resetQueries({ queryKey: ["own-page", slug] }),
  });
  const choose = useRef<HTMLInputElement>(null);
  const tools = (
    <>
      <input
        ref={choose}
        type="file"
        accept=".html,.htm,text/html"
        hidden
        aria-label="HTML file"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) keep.mutate(file);
          event.target.value = "";
        }}
      />
      <ToolButton onClick={() => choose.current?.click()}>
        {there ? "Another HTML file" : "Choose an HTML file"}
      </ToolButton>
      {there && <ToolButton onClick={() => remove.mutate()}>Remove the page</ToolButton>}
    </>
  );
  return (
    <Box>
      <Flex gap="8px" align="center" marginBottom="8px" fontSize="12px">
        {tools}
        {(keep.error ?? remove.error) && (
          <Text role="alert" fontWeight="700">
            {problemOf(keep.error ?? remove.error).message}
          </Text>
        )}
      </Flex>
      {there ? (
        <Framed key={query.dataUpdatedAt} slug={slug} />
      ) : (
        <Paste busy={keep.isPending} onKeep={(markup) => keep.mutate(markup)} />
      )}
    </Box>
  );
}

function Paste({ busy, onKeep }: { busy: boolean; onKeep: (markup: string) => void }) {
  const slug = useLook((at) => at.slug);
  const [text, setText] = useDraft(draftKey("own-page", slug));
  return (
    <Box data-testid="own-page-paste">
      <Text fontSize="12px" marginBottom="4px">
        Paste the markup of a page that uses the custom properties of the tokens. It is shown and never run:
        no scripts, nothing loaded from elsewhere.
      </Text>
      <Textarea
        aria-label="Markup of the page"
        fontFamily="mono"
        fontSize="12px"
        rows={8}
        placeholder={SAMPLE}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <ToolButton
        marginTop="6px"
        disabled={busy}
        onClick={() => {
          onKeep(text.trim() || SAMPLE);
          setText("");
        }}
      >
        {text.trim() ? "Show it" : "Show the example"}
      </ToolButton>
    </Box>
  );
}

/** The frame, given the colors whenever they change. */
function Framed({ slug }: { slug: string }) {
  const tokens = usePart("tokens");
  const scheme = usePart("head", (head) => head.theme?.scheme ?? "light");
  const frame = useRef<HTMLIFrameElement>(null);
  const [loaded, setLoaded] = useState(0);
  useEffect(() => {
    const root = loaded > 0 ? frame.current?.contentDocument?.documentElement : null;
    if (!root) return;
    root.style.colorScheme = scheme;
    for (const token of tokens) {
      if (!token.internal) root.style.setProperty(`--${token.css}`, withAlpha(token.seen, token.alpha));
    }
  }, [tokens, scheme, loaded]);
  return (
    <iframe
      ref={frame}
      title="The team’s own page"
      data-testid="own-page"
      src={`/api/systems/${encodeURIComponent(slug)}/own-page`}
      sandbox="allow-same-origin"
      style={{ border: "1px solid", height: 520, width: "100%" }}
      onLoad={() => setLoaded((before) => before + 1)}
    />
  );
}

const withAlpha = (hex: string, alpha: number) =>
  alpha === 1
    ? hex
    : hex +
      Math.round(alpha * 255)
        .toString(16)
        .padStart(2, "0");
