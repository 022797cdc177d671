/**
 * A button that opens a panel. Panels are dear, to load and to draw: one is loaded once the page is there, and drawn
 * from the first time that it is opened. The button stays the same element throughout, so that it keeps the focus.
 */
import { Button, type ButtonProps } from "@chakra-ui/react";
import { type KeyboardEvent, type ReactNode, Suspense, useId, useState } from "react";

/** What a panel is told: whether it is open, the id of its button, and how to say that it opens or closes. */
export interface Opened {
  open: boolean;
  trigger: string;
  onOpen: (open: boolean) => void;
}

interface Props extends ButtonProps {
  opens: "menu" | "dialog";
  panel: (opened: Opened) => ReactNode;
}

export function Opener({ opens, panel, ...button }: Props) {
  const trigger = useId();
  const [open, setOpen] = useState(false);
  const [was, setWas] = useState(false);
  const onOpen = (wanted: boolean) => {
    if (wanted) setWas(true);
    setOpen(wanted);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (opens !== "menu" || (event.key !== "ArrowDown" && event.key !== "ArrowUp")) return;
    event.preventDefault();
    onOpen(true);
  };
  return (
    <>
      <Button
        {...button}
        id={trigger}
        aria-haspopup={opens}
        aria-expanded={open}
        onClick={() => onOpen(!open)}
        onKeyDown={onKeyDown}
      />
      {was && <Suspense>{panel({ open, trigger, onOpen })}</Suspense>}
    </>
  );
}
