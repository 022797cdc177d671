/** A field that keeps what was typed, says at itself what is wrong, and commits on Enter or when left. */
import { Field, Input } from "@chakra-ui/react";
import { type KeyboardEvent, useEffect, useId, useState } from "react";
import { problemOf } from "../api/client";

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
}

export function TextField({
  label,
  value,
  onCommit,
  width = "160px",
  mono,
  hideLabel,
  placeholder,
  grow,
}: Props) {
  const [text, setText] = useState(value);
  const [problem, setProblem] = useState<string | null>(null);
  const id = useId();
  useEffect(() => {
    setText(value);
    setProblem(null);
  }, [value]);

  const commit = async () => {
    if (text === value) {
      setProblem(null);
      return;
    }
    try {
      await onCommit(text);
      setProblem(null);
    } catch (thrown) {
      setProblem(problemOf(thrown).message);
    }
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === "Enter") void commit();
    if (event.key === "Escape") {
      setText(value);
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
        onBlur={() => void commit()}
        onKeyDown={onKeyDown}
        autoComplete="off"
        spellCheck={false}
      />
      {problem && (
        <Field.ErrorText
          fontSize="12px"
          color="fg"
          fontWeight="700"
          bg="bg"
          border="1px solid"
          borderColor="fg"
          padding="4px 8px"
          position="absolute"
          top="100%"
          left="0"
          zIndex="5"
          minWidth="260px"
        >
          {problem}
        </Field.ErrorText>
      )}
    </Field.Root>
  );
}
