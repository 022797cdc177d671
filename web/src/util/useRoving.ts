/** Several buttons as one stop of Tab: the arrow keys go from one to the next, in the order in which they stand. */
import { type KeyboardEvent, type RefObject, useLayoutEffect } from "react";

const NEXT: Record<string, number> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

export function useRoving(box: RefObject<HTMLElement | null>, css: string) {
  const all = () => [...(box.current?.querySelectorAll<HTMLElement>(css) ?? [])];
  const enter = (entry: HTMLElement | undefined, buttons: HTMLElement[]) => {
    for (const button of buttons) button.tabIndex = button === entry ? 0 : -1;
  };
  useLayoutEffect(() => {
    const buttons = all();
    const kept = buttons.find((button) => button === document.activeElement);
    const pressed = buttons.find((button) => button.getAttribute("aria-pressed") === "true");
    enter(kept ?? pressed ?? buttons[0], buttons);
  });
  return (event: KeyboardEvent) => {
    const by = NEXT[event.key];
    const buttons = all();
    const at = buttons.indexOf(event.target as HTMLElement);
    if (by === undefined || at < 0 || event.altKey || event.ctrlKey || event.metaKey) return;
    event.preventDefault();
    const next = buttons[(at + by + buttons.length) % buttons.length];
    enter(next, buttons);
    next?.focus();
  };
}
