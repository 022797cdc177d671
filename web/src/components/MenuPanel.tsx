/** A menu under its button; what is in it are Chakra's items. */
import { Menu, Portal } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Opened } from "./Opener";

interface Props extends Opened {
  placement: "bottom-start" | "bottom-end";
  minWidth: string;
  children: ReactNode;
}

export function MenuPanel({ open, trigger, onOpen, placement, minWidth, children }: Props) {
  return (
    <Menu.Root
      open={open}
      onOpenChange={(change) => onOpen(change.open)}
      ids={{ trigger }}
      positioning={{ placement }}
      lazyMount
      unmountOnExit
    >
      <Portal>
        <Menu.Positioner>
          <Menu.Content minWidth={minWidth} maxHeight="320px">
            {children}
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}
