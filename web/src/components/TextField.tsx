/** A field that keeps what was typed, says at itself what is wrong, and commits on Enter or when left. */
import { Field, Input } from "@chakra-ui/react";
import { type KeyboardEvent, useEffect, useId, useRef, useState } from "react";
import { problemOf } from "../api/client";
import { draftOf, keepDraft } from "../util/drafts";

interface Props {
  label: string;
  value: string;
  onCommit: (text: string) => Promise<unknown>;
  width?: string;
  mono?: boolean;
  hideLabel?: boolean;
  placeholder?: string;
  /** Takes what room is left. */
  grow?: boolean;
  /** Under which key what is typed and not put yet is kept, so that it is there again where the field has been away. */
  draft?: string;
}

/** What was typed, and what it was typed over. */
interface Typed {
  text: string;
  over: string;
}

/** How long what somebody else has put there stands to be read before an Enter replaces it. */
const TO_READ_MS = 1000;

/** Where a note stands: under the field, over what follows. */
const NOTE = {
  fontSize: "12px",
  color: "fg",
  bg: "bg",
  border: "1px solid",
  borderColor: "fg",
  padding: "4px 8px",
  position: "absolute",
  top: "100%",
  left: "0",
  zIndex: "5",
  minWidth: "260px",
} as const;

export function TextField({
  label,
  value,
  onCommit,
  width = "160px",
  mono,
  hideLabel,
  placeholder,
  grow,
  draft = "",
}: Props) {
  const [left] = useState(() => (draft ? draftOf<Typed>(draft) : null));
  const [text, setText] = useState(left?.text ?? value);
  const [problem, setProblem] = useState<string | null>(null);
  /** What was typed over: where something else stands there by now, somebody else has changed it meanwhile. */
  const [over, setOver] = useState(left?.over ?? value);
  const sent = useRef(false);
  /** When something else came to stand there: an Enter right then was meant for what stood there before. */
  const came = useRef(0);
  const id = useId();
  if (over !== value && (text === over || text === value || sent.current)) {
    sent.current = false;
    setOver(value);
    setText(value);
    setProblem(null);
  }
  const meanwhile = over !== value;
  useEffect(() => {
    if (draft) keepDraft(draft, text === value ? "" : JSON.stringify({ text, over }));
  }, [draft, text, over, value]);
  useEffect(() => {
    came.current = over === value ? 0 : Date.now();
  }, [over, value]);

  const commit = async () => {
    if (text === value) {
      setProblem(null);
      return;
    }
    sent.current = true;
    try {
      await onCommit(text);
      setProblem(null);
    } catch (thrown) {
      sent.current = false;
      setProblem(problemOf(thrown).message);
    }
  };
  // What somebody else has put there meanwhile is replaced only by an Enter, which has seen it.
  const leave = () => {
    if (!meanwhile) void commit();
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === "Enter" && !(meanwhile && Date.now() - came.current < TO_READ_MS)) void commit();
    if (event.key === "Escape" && text !== value) {
      event.preventDefault();
      setText(value);
      setOver(value);
      setProblem(null);
    }
  };
  return (
    <Field.Root
      invalid={problem !== null}
      width={width}
      {...(grow ? { flex: "1 1 160px" } : {})}
      gap="2px"
      ids={{ control: id }}
      position="relative"
    >
      <Field.Label fontSize="12px" fontWeight="400" color="fg.muted" {...(hideLabel ? { srOnly: true } : {})}>
        {label}
      </Field.Label>
      <Input
        size="2xs"
        height="26px"
        fontSize="13px"
        fontFamily={mono ? "mono" : "body"}
        borderColor="border.emphasized"
        value={text}
        placeholder={placeholder}
        onChange={(event) => setText(event.target.value)}
        onBlur={leave}
        onKeyDown={onKeyDown}
        autoComplete="off"
        spellCheck={false}
      />
      {meanwhile && !problem && (
        <Field.HelperText {...NOTE} role="status">
          Changed meanwhile to “{value}”. Enter keeps yours, Esc takes that.
        </Field.HelperText>
      )}
      {problem && (
        <Field.ErrorText {...NOTE} fontWeight="700">
          {problem}
        </Field.ErrorText>
      )}
    </Field.Root>
  );
}
