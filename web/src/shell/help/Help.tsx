/** What there is to know: each work area in a sentence, with a link to it; our words; all keys. One field searches all. */
import { Box, CloseButton, Dialog, Heading, Input, Kbd, Portal, Text } from "@chakra-ui/react";
import { memo, type ReactNode, useRef, useState } from "react";
import { WORDS } from "../../components/words";
import { STAGES } from "../../stages";
import { focusSoon, found } from "../../util/focus";
import { goTo } from "../../workspace/AddressMirror";
import { useInterface } from "../../workspace/interface";
import type { KeyGroup } from "../keys/binding";
import styles from "./help.module.css";
import { useKeyboard } from "./useKeyboard";

/** Keys that belong to what has the focus, by where that is. */
const BESIDES: { words: string; keys: [string, string][] }[] = [
  {
    words: "In the sheet of scales",
    keys: [
      ["arrows", "Walk the steps"],
      ["Home End", "The first or last step of a scale"],
      ["Shift arrows", "Choose steps up to there"],
      ["Ctrl arrows", "Walk without choosing"],
      ["space", "Choose the step at hand too, or no longer"],
      ["Alt arrows", "Move the hue at hand up or down; in Sources too"],
    ],
  },
  {
    words: "In fields, sliders and areas",
    keys: [
      ["Enter", "Add what the reading line understood; keep what a field holds; to the editor of a token"],
      ["arrows", "Move a slider, with Shift by 10; the next of a group; the divider of an area"],
      ["Esc", "Close the work area; back to what a field held; end a drag"],
    ],
  },
];

interface Props {
  groups: KeyGroup[];
  shown: boolean;
  onClose: () => void;
}

export const Help = memo(function Help({ groups, shown, onClose }: Props) {
  const [text, setText] = useState("");
  const field = useRef<HTMLInputElement>(null);
  const singleKeys = useInterface((state) => state.singleKeys);
  const label = useKeyboard(shown);
  const wanted = text.trim().toLowerCase();
  const meant = (...words: string[]) => words.some((each) => each.toLowerCase().includes(wanted));
  const areas = STAGES.map((stage) => ({
    stage,
    areas: stage.areas.filter((area) => meant(area.words, area.says, stage.words)),
  })).filter((each) => each.areas.length > 0);
  const words = Object.entries(WORDS).filter((entry) => meant(...entry));
  const keys = [
    ...groups.map((group) => ({
      words: group.words,
      keys: group.bindings.map((key): [string, string] => [label(key), key.words]),
    })),
    ...BESIDES,
  ]
    .map((group) => ({ ...group, keys: group.keys.filter((key) => meant(group.words, ...key)) }))
    .filter((group) => group.keys.length > 0);
  const go = (stage: string, area: string) => {
    onClose();
    goTo(stage, area);
    focusSoon(found("[data-testid=area]"));
  };
  return (
    <Dialog.Root
      open={shown}
      onOpenChange={(change) => !change.open && onClose()}
      initialFocusEl={() => field.current}
      size="xl"
      scrollBehavior="inside"
      lazyMount
    >
      <Portal>
        <Dialog.Backdrop bg="blackAlpha.500" />
        <Dialog.Positioner>
          <Dialog.Content maxHeight="86vh">
            <Dialog.Header paddingBlock="14px" display="flex" gap="16px" alignItems="center">
              <Dialog.Title fontSize="16px">Help</Dialog.Title>
              <Input
                ref={field}
                size="xs"
                width="320px"
                aria-label="Search the help"
                placeholder="What you want to do, a word, a key"
                borderColor="border.emphasized"
                autoComplete="off"
                value={text}
                onChange={(event) => setText(event.target.value)}
              />
            </Dialog.Header>
            <Dialog.Body paddingBottom="20px" tabIndex={0} data-testid="help">
              {areas.length + words.length + keys.length === 0 && (
                <Text role="status">Nothing here speaks of “{text.trim()}”.</Text>
              )}
              {areas.length > 0 && (
                <Part title="What there is, stage by stage">
                  {areas.map(({ stage, areas: shownAreas }) => (
                    <Group key={stage.id} title={stage.words}>
                      {shownAreas.map((area) => (
                        <div key={area.id} className={styles.line}>
                          <dt>
                            <button
                              type="button"
                              className={styles.link}
                              aria-label={`${area.words} in ${stage.words}`}
                              onClick={() => go(stage.id, area.id)}
                            >
                              {area.words}
                            </button>
                          </dt>
                          <dd>{area.says}</dd>
                        </div>
                      ))}
                    </Group>
                  ))}
                </Part>
              )}
              {words.length > 0 && (
                <Part title="Words">
                  <dl className={styles.group}>
                    {words.map(([word, meaning]) => (
                      <div key={word} className={styles.line}>
                        <dt>{word}</dt>
                        <dd>{meaning}</dd>
                      </div>
                    ))}
                  </dl>
                </Part>
              )}
              {keys.length > 0 && (
                <Part title="Keys">
                  <Text color="fg.muted" marginBottom="6px">
                    By their place on the keyboard, never while typing in a field. Keys of a single character
                    are {singleKeys ? "on" : "off"}; the person’s menu switches them.
                  </Text>
                  {keys.map((group) => (
                    <Group key={group.words} title={group.words}>
                      {group.keys.map(([key, meaning]) => (
                        <div key={key + meaning} className={styles.line}>
                          <dt>
                            <Kbd fontFamily="mono" bg="bg" color="fg" borderColor="border.emphasized">
                              {key}
                            </Kbd>
                          </dt>
                          <dd>{meaning}</dd>
                        </div>
                      ))}
                    </Group>
                  ))}
                </Part>
              )}
            </Dialog.Body>
            <Dialog.CloseTrigger asChild>
              <CloseButton size="sm" aria-label="Close the help" />
            </Dialog.CloseTrigger>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
});

const Part = ({ title, children }: { title: string; children: ReactNode }) => (
  <Box as="section" marginBottom="16px">
    <Heading as="h2" fontSize="14px" fontWeight="700" marginBottom="4px">
      {title}
    </Heading>
    <div className={styles.columns}>{children}</div>
  </Box>
);

const Group = ({ title, children }: { title: string; children: ReactNode }) => (
  <div className={styles.group}>
    <h3>{title}</h3>
    <dl>{children}</dl>
  </div>
);
