/** One field that takes anything with colors in it, and shows what it understood before anything is added. */

import { Box, Field, Flex, Text, Textarea } from "@chakra-ui/react";
import { type KeyboardEvent, useEffect, useRef } from "react";
import { ToolButton } from "../../../components/ToolButton";
import { draftKey, useDraft } from "../../../util/drafts";
import { focusSoon, found } from "../../../util/focus";
import { canTakeFromScreen, takeFromScreen } from "../../../util/fromScreen";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { useInbox } from "../../../workspace/inbox";
import { useInterface } from "../../../workspace/interface";
import { useLook, useSeeing } from "../../../workspace/look";
import { useReading } from "../../shared/ReadLines";
import { UploadProgress } from "../../shared/UploadProgress";
import { Understood } from "./Understood";
import type { useTaking } from "./useTaking";

export function ReadingLine({ taking }: { taking: ReturnType<typeof useTaking> }) {
  const slug = useLook((at) => at.slug);
  const seeing = useSeeing();
  const { notation } = useInterface();
  const revision = usePart("head", (head) => head.revision);
  const [text, setText] = useDraft(draftKey("reading", slug));
  const picker = useRef<HTMLInputElement>(null);
  const addFirst = useRef<(() => void) | null>(null);
  const { file } = taking;
  const { reading, problem, fresh } = useReading(
    file ? { file } : { text },
    { ...seeing, notation, system: slug },
    revision,
  );

  // Enter acts on the text as it stands, as soon as that has been read.
  const entered = useRef(false);
  useEffect(() => {
    if (!fresh || !entered.current) return;
    entered.current = false;
    if (reading) addFirst.current?.();
  }, [fresh, reading]);
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key !== "Enter" || event.shiftKey) return;
    event.preventDefault();
    // Where nothing stands there is nothing to add, whatever was added before.
    if (!fresh) entered.current = true;
    else if (reading) addFirst.current?.();
  };
  // What was dropped or pasted anywhere comes here.
  const arrived = useInbox((inbox) => inbox.files.length > 0 || inbox.text !== "");
  const { take } = taking;
  const { say } = useWorkspace();
  const present = useRef({ text, file });
  present.current = { text, file };
  useEffect(() => {
    if (!arrived) return;
    const brought = useInbox.getState().take();
    if (brought.files.length > 0) take(brought.files);
    else {
      // What stands there already is not lost for it.
      const { text: before, file: open } = present.current;
      setText(before.trim() ? `${before}\n${brought.text}` : brought.text);
      if (open) say(`What was pasted waits in the reading line, until ${open.name} is closed.`);
      focusSoon(found("#reading-line"));
    }
  }, [arrived, take, setText, say]);
  const fromScreen = async () => {
    const color = await takeFromScreen();
    if (!color) return;
    const before = present.current.text.trim();
    setText(before ? `${before}\n${color}` : color);
    focusSoon(found("#reading-line"));
  };
  const done = (left: string) => {
    taking.close();
    setText(left);
  };
  const said = taking.problem ?? taking.upload.problem ?? problem?.message ?? null;
  return (
    <Box border="1px solid" borderColor="fg" borderRadius="2px">
      <Flex align="flex-start">
        <Field.Root invalid={said !== null}>
          {file ? (
            <Flex align="center" minHeight="38px" paddingInline="12px" gap="10px">
              <Text fontWeight="700">{file.name}</Text>
              <Text color="fg.muted">{Math.max(1, Math.round(file.size / 1000))} kB</Text>
              <ToolButton onClick={() => taking.close()}>Close the file</ToolButton>
              {taking.others.length > 0 && (
                <Text color="fg.muted" truncate>
                  then {taking.others.map((other) => other.name).join(", ")}
                </Text>
              )}
            </Flex>
          ) : (
            <Textarea
              id="reading-line"
              aria-label="A color, a list, a stylesheet or a picture"
              rows={Math.min(Math.max(text.split("\n").length, 1), 5)}
              border="0"
              minHeight="38px"
              paddingBlock="9px"
              paddingInline="12px"
              fontSize="13px"
              resize="none"
              spellCheck={false}
              placeholder="A color, a list, a stylesheet, a picture: type, paste or drop it here"
              value={text}
              onChange={(event) => {
                entered.current = false;
                setText(event.target.value);
              }}
              onKeyDown={onKeyDown}
            />
          )}
          <Field.ErrorText color="fg" fontWeight="700" paddingInline="12px" paddingBottom="8px">
            {said}
          </Field.ErrorText>
        </Field.Root>
        {canTakeFromScreen() && (
          <ToolButton
            margin="7px 0"
            flexShrink={0}
            title="Point at any color that is on the screen. A picture of it can be pasted here too"
            onClick={() => void fromScreen()}
          >
            From the screen
          </ToolButton>
        )}
        <ToolButton
          margin="7px 8px"
          flexShrink={0}
          {...(canTakeFromScreen() ? {} : { title: "A color from the screen: paste a picture of it here" })}
          onClick={() => picker.current?.click()}
        >
          Open a file
        </ToolButton>
        <input
          ref={picker}
          type="file"
          hidden
          multiple
          data-testid="file"
          aria-label="A file with colors, or a picture"
          accept="image/*,.css,.scss,.json,.tokens,.csv,.tsv,.svg,.txt"
          onChange={(event) => {
            if (event.target.files) taking.take(event.target.files);
            event.target.value = "";
          }}
        />
      </Flex>
      <UploadProgress upload={taking.upload} />
      {file && !reading && !problem && (
        <Text role="status" paddingInline="12px" paddingBottom="10px">
          Reading {file.name}
        </Text>
      )}
      {reading && (
        <Understood
          key={file ? `file ${file.name} ${file.lastModified}` : "text"}
          reading={reading}
          origin={file?.name ?? null}
          onAddFirst={(add) => {
            addFirst.current = add;
          }}
          onDone={done}
        />
      )}
    </Box>
  );
}
