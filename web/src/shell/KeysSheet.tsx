/** All keys, on a sheet. */
import { CloseButton, Dialog, Grid, Kbd, Portal, Text } from "@chakra-ui/react";
import { Fragment, memo, useEffect, useState } from "react";
import { useInterface } from "../workspace/interface";
import type { KeyBinding } from "./keys/binding";

interface Keyboard {
  getLayoutMap?: () => Promise<Map<string, string>>;
}

/** The characters that this person's keyboard has at each place, where the browser tells. */
function useLayout(wanted: boolean): Map<string, string> | null {
  const [layout, setLayout] = useState<Map<string, string> | null>(null);
  useEffect(() => {
    const { keyboard } = navigator as Navigator & { keyboard?: Keyboard };
    if (wanted) keyboard?.getLayoutMap?.().then(setLayout, () => setLayout(null));
  }, [wanted]);
  return layout;
}

const BESIDES: [string, string][] = [
  ["arrows", "Walk the sheet of scales; move a slider; the next of a group"],
  ["Home End", "The first or last step of a scale; an end of a slider"],
  ["Shift arrows", "Choose steps up to there; a slider by 10"],
  ["Ctrl arrows", "Walk the sheet without choosing"],
  ["space", "Choose the step at hand too, or no longer"],
  ["Alt arrows", "Move the hue at hand up or down"],
  ["Enter", "Add what the reading line understood; keep what a field holds"],
  ["Esc", "Close the work area; back to what a field held; choose nothing"],
];

export const KeysSheet = memo(function KeysSheet({
  bindings,
  shown,
  onClose,
}: {
  bindings: KeyBinding[];
  shown: boolean;
  onClose: () => void;
}) {
  const singleKeys = useInterface((state) => state.singleKeys);
  const layout = useLayout(shown);
  const label = (key: KeyBinding) =>
    key.shown.length === 1 && !key.shift ? (layout?.get(key.code) ?? key.shown) : key.shown;
  return (
    <Dialog.Root open={shown} onOpenChange={(change) => !change.open && onClose()} size="lg" lazyMount>
      <Portal>
        <Dialog.Backdrop bg="blackAlpha.500" />
        <Dialog.Positioner>
          <Dialog.Content>
            <Dialog.Header paddingBlock="14px">
              <Dialog.Title fontSize="16px">Keys</Dialog.Title>
            </Dialog.Header>
            <Dialog.Body paddingBottom="20px">
              <Text color="fg.muted" marginBottom="10px">
                By their place on the keyboard, never while typing in a field. Keys of a single character are{" "}
                {singleKeys ? "on" : "off"}; the person’s menu switches them.
              </Text>
              <Grid templateColumns="auto 1fr auto 1fr" gap="6px 12px" alignItems="center">
                {[...bindings.map((key) => [label(key), key.words] as [string, string]), ...BESIDES].map(
                  ([key, words]) => (
                    <Fragment key={key + words}>
                      <Kbd
                        fontFamily="mono"
                        bg="bg"
                        color="fg"
                        borderColor="border.emphasized"
                        justifySelf="end"
                      >
                        {key}
                      </Kbd>
                      <Text>{words}</Text>
                    </Fragment>
                  ),
                )}
              </Grid>
            </Dialog.Body>
            <Dialog.CloseTrigger asChild>
              <CloseButton size="sm" aria-label="Close the keys" />
            </Dialog.CloseTrigger>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
});
