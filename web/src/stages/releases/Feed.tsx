/** The files as developers get them, and the address they fetch them from. */
import { Box, Flex, Link, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { DraftView } from "../../api/client";
import { Choice } from "../../components/Choice";
import { ToolButton } from "../../components/ToolButton";
import { copyText } from "../../util/copy";
import { download } from "../../util/download";
import { useLook } from "../../workspace/look";
import { GuideForm } from "./GuideForm";

const MANIFEST =
  "All files of the release with their digests, the guide as PDF too: written when it is published.";
const archiveWords = (address: string) =>
  `An archive of all files, which npm and pip install by its address: npm install ${address}`;

interface Props {
  draft: DraftView;
  latest: string | null;
}

export function Feed({ draft, latest }: Props) {
  const slug = useLook((at) => at.slug);
  const [name, setName] = useState(draft.files[0]?.name ?? "");
  const [said, setSaid] = useState("");
  const file = draft.files.find((each) => each.name === name);
  const address = `${window.location.origin}${draft.feed}${name}`;
  const copy = async () =>
    setSaid((await copyText(address)) ? "Copied." : "Copying was refused; select the address.");
  const copyFile = async () =>
    setSaid((await copyText(file?.text ?? "")) ? "Copied." : "Copying was refused.");
  const fetchIt = async () => {
    const answer = await fetch(address, { cache: "no-cache" });
    const size = (await answer.blob()).size;
    setSaid(
      answer.ok
        ? `Fetched: ${size} bytes, ${answer.headers.get("content-type")?.split(";")[0]}.`
        : `The feed answers ${answer.status}.`,
    );
  };
  return (
    <Box as="section" aria-label="Files" minWidth="0">
      <Flex gap="8px" align="center" marginBottom="8px" wrap="wrap">
        <Choice
          label="File"
          value={name}
          items={draft.files.map((each) => ({ value: each.name, words: each.name }))}
          onChoose={setName}
        />
        {file?.text && (
          <>
            <ToolButton onClick={() => void copyFile()}>Copy</ToolButton>
            <ToolButton onClick={() => download(name, file.text, "text/plain")}>Download</ToolButton>
          </>
        )}
        <Link
          href={`/api/systems/${encodeURIComponent(slug)}/archive`}
          download="package.tgz"
          textDecoration="underline"
          color="fg"
          fontSize="12px"
          minHeight="24px"
          display="inline-flex"
          alignItems="center"
        >
          All as one archive
        </Link>
        <ToolButton onClick={() => void copy()} disabled={latest === null}>
          Copy the feed’s address
        </ToolButton>
        <ToolButton onClick={() => void fetchIt()} disabled={latest === null}>
          Fetch it
        </ToolButton>
        {latest !== null && (
          <Link
            href={draft.feed.replace(/latest\/$/, "")}
            textDecoration="underline"
            color="fg"
            fontSize="12px"
            alignSelf="center"
          >
            Page of all releases
          </Link>
        )}
      </Flex>
      <Text fontSize="12px" fontFamily="mono" truncate data-testid="feed-address">
        {latest === null ? (
          "The feed begins with the first release."
        ) : (
          <Link href={address} textDecoration="underline" color="fg">
            {address}
          </Link>
        )}
      </Text>
      <Text role="status" fontSize="12px" minHeight="18px" fontWeight="700">
        {said}
      </Text>
      {name.startsWith("guide.") && <GuideForm guide={draft.guide} />}
      <Text fontSize="12px" color="fg.muted" marginBottom="4px">
        {name} as {draft.proposed} would be:
      </Text>
      <Box
        as="pre"
        tabIndex={0}
        aria-label={`Text of ${name}`}
        data-testid="file-text"
        fontFamily="mono"
        fontSize="12px"
        lineHeight="17px"
        bg="bg.subtle"
        border="1px solid"
        borderColor="border"
        padding="10px"
        overflow="auto"
        maxHeight="470px"
      >
        {file?.text || (name === "release.json" ? MANIFEST : archiveWords(address))}
      </Box>
    </Box>
  );
}
