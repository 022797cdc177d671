/** A page of the team's own, drawn with the published custom properties: shown in a frame in which nothing runs. */
import { Box, Flex, Text, Textarea } from "@chakra-ui/react";
import { ToolButton } from "../../components/ToolButton";
import { draftKey, useDraft } from "../../util/drafts";
import { useLook } from "../../workspace/look";
import { OwnPageFrame } from "../shared/OwnPageFrame";
import { OwnPageTools } from "../shared/OwnPageTools";
import { useOwnPage } from "../shared/useOwnPage";

const SAMPLE = `<h1 style="color: var(--text-strong)">Skarvik to Tarnsey</h1>
<p style="color: var(--text-plain)">Four sailings on Tuesday.</p>
<button style="background: var(--action-main-fill); color: var(--action-main-label)">Book</button>`;

export function OwnPage() {
  const slug = useLook((at) => at.slug);
  const page = useOwnPage(slug);
  return (
    <Box>
      <Flex gap="8px" align="center" marginBottom="8px" fontSize="12px">
        <OwnPageTools page={page} />
      </Flex>
      {page.text !== null ? (
        <OwnPageFrame key={page.at} slug={slug} />
      ) : (
        <Paste busy={page.keep.isPending} onKeep={(markup) => page.keep.mutate(markup)} />
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
