/** Living with a finding: why, on what evidence, until when. Who and when is put on record by the server. */
import { Flex, Input, Text } from "@chakra-ui/react";
import { type FormEvent, useId, useState } from "react";
import { type FindingView, problemOf } from "../../api/client";
import { edit } from "../../api/edits";
import { newId } from "../../api/ids";
import { ToolButton } from "../../components/ToolButton";
import { copyText } from "../../util/copy";
import { useWorkspace } from "../../workspace/hooks";
import { linkOf, readWords, useReadingTests } from "./useReadingTests";

const FIELD = { size: "2xs", height: "26px", fontSize: "13px", borderColor: "border.emphasized" } as const;

interface Props {
  finding: FindingView;
  /** Its sentence, with its theme where there are several. */
  said: string;
  onDone: () => void;
}

export function Accept({ finding, said, onDone }: Props) {
  const { keep } = useWorkspace();
  const [wish, setWish] = useState({ reason: "", evidence: "", until: "" });
  const [problem, setProblem] = useState("");
  const id = useId();
  const accept = async (event: FormEvent) => {
    event.preventDefault();
    try {
      await keep([
        edit("accept_finding", {
          id: newId(),
          finding: finding.id,
          said,
          colors: [finding.colors[0]?.hex ?? "", finding.colors[1]?.hex ?? ""],
          reason: wish.reason,
          evidence: wish.evidence,
          until: wish.until || null,
          person: "",
          on: null,
        }),
      ]);
      onDone();
    } catch (thrown) {
      setProblem(problemOf(thrown).message);
    }
  };
  const field = (name: keyof typeof wish, words: string, type = "text", width = "200px") => (
    <label htmlFor={id + name}>
      <Text fontSize="12px" color="fg.muted">
        {words}
      </Text>
      <Input
        {...FIELD}
        id={id + name}
        type={type}
        width={width}
        maxLength={400}
        value={wish[name]}
        autoComplete="off"
        autoFocus={name === "reason"}
        onChange={(event) => setWish({ ...wish, [name]: event.target.value })}
      />
    </label>
  );
  return (
    <Flex
      as="form"
      gap="8px"
      align="flex-end"
      wrap="wrap"
      width="100%"
      onSubmit={(event) => void accept(event)}
      onKeyDown={(event) => {
        if (event.key === "Escape") {
          event.stopPropagation();
          onDone();
        }
      }}
    >
      {field("reason", "Why it stays as it is", "text", "260px")}
      {field("evidence", "Evidence, such as a reading test")}
      {finding.use && finding.use !== "part" && (
        <ReadingTest finding={finding} onEvidence={(evidence) => setWish({ ...wish, evidence })} />
      )}
      {field("until", "Until, if it ends", "date", "140px")}
      <ToolButton type="submit">Accept it</ToolButton>
      <ToolButton onClick={onDone}>Leave it open</ToolButton>
      {problem && (
        <Text role="alert" fontWeight="700" fontSize="12px">
          {problem}
        </Text>
      )}
    </Flex>
  );
}

/** Where eye and rule disagree, people read: a link for them, and their count as evidence. */
function ReadingTest({ finding, onEvidence }: { finding: FindingView; onEvidence: (words: string) => void }) {
  const { of, begin, empty } = useReadingTests();
  const [said, setSaid] = useState("");
  const [ink = "", ground = ""] = finding.colors.map((each) => each.hex);
  const px = finding.use === "large" ? LARGE_PX : BODY_PX;
  const test = of(ink, ground).find((each) => each.px === px);
  const invite = async () => {
    try {
      const link = linkOf(await begin(ink, ground, px));
      setSaid((await copyText(link)) ? `Copied ${link}` : link);
    } catch (thrown) {
      setSaid(problemOf(thrown).message);
    }
  };
  const forget = (key: string) =>
    empty(key).then(
      () => setSaid("Emptied: nobody is counted."),
      (thrown) => setSaid(problemOf(thrown).message),
    );
  return (
    <Flex gap="8px" align="center" wrap="wrap" fontSize="12px">
      <ToolButton
        title="Whoever has the link types figures set in these two colors; how many were right is counted"
        onClick={() => void invite()}
      >
        Copy the link of a reading test
      </ToolButton>
      {test && test.readers > 0 && (
        <ToolButton title={readWords(test)} onClick={() => onEvidence(readWords(test))}>
          {test.read} of {test.shown} read: use as evidence
        </ToolButton>
      )}
      {test?.yours && test.readers > 0 && (
        <ToolButton title="Count none of its readers any more" onClick={() => void forget(test.key)}>
          Empty
        </ToolButton>
      )}
      <Text aria-live="polite" wordBreak="break-all">
        {said} {test && test.readers === 0 && readWords(test)}
      </Text>
    </Flex>
  );
}

/** Text as it is mostly set, and text that counts as large, in CSS pixels. */
const BODY_PX = 16;
const LARGE_PX = 24;
