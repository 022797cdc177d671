/** A small panel beside its button, which closes when something else is clicked. */
import { Popover, Portal } from "@chakra-ui/react";
import { type ReactNode, useEffect, useState } from "react";
import type { Opened } from "./Opener";

interface Props extends Opened {
  label: string;
  placement: "bottom-start" | "bottom-end" | "top-start" | "top-end";
  width: string;
  padding?: string;
  children: ReactNode;
}

export function PopoverPanel({ open, trigger, onOpen, label, placement, width, padding, children }: Props) {
  // The focus goes into what opens, not into what has been open from the beginning.
  const [there, setThere] = useState(false);
  useEffect(() => setThere(true), []);
  return (
    <Popover.Root
      open={open && there}
      onOpenChange={(change) => onOpen(change.open)}
      ids={{ trigger }}
      positioning={{ placement }}
      lazyMount
      unmountOnExit
    >
      <Portal>
        <Popover.Positioner>
          <Popover.Content width={width} padding={padding ?? "12px"} boxShadow="md" aria-label={label}>
            {children}
          </Popover.Content>
        </Popover.Positioner>
      </Portal>
    </Popover.Root>
  );
}
