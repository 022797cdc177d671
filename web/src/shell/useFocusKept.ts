/**
 * The focus is never lost: where what has it goes, or can no longer be used, it goes on to what is nearest: what
 * followed in the smallest part of the page that is left, else what came before, else the sheet.
 */
import { useEffect } from "react";
import { reachedIn } from "../util/focus";

interface Held {
  element: HTMLElement;
  ancestors: HTMLElement[];
  /** All that Tab reached then, in order. */
  order: HTMLElement[];
}

const usable = (element: HTMLElement) => element.isConnected && !element.matches(":disabled");

function heldBy(element: HTMLElement): Held {
  const ancestors: HTMLElement[] = [];
  for (let at = element.parentElement; at && at !== document.body; at = at.parentElement) ancestors.push(at);
  return { element, ancestors, order: reachedIn(document) };
}

function nearest({ element, ancestors, order }: Held): HTMLElement | null {
  const place = order.indexOf(element);
  const left = ancestors.find((each) => each.isConnected);
  for (const root of ancestors.slice(left ? ancestors.indexOf(left) : 0)) {
    const inside = (other: HTMLElement) => usable(other) && root.contains(other);
    const next =
      order.slice(place + 1).find(inside) ?? order.slice(0, Math.max(place, 0)).reverse().find(inside);
    if (next) return next;
    if (root.tagName === "MAIN") break;
  }
  return document.querySelector<HTMLElement>("main");
}

export function useFocusKept() {
  useEffect(() => {
    let held: Held | null = null;
    const onFocus = (event: FocusEvent) => {
      const { target } = event;
      if (target instanceof HTMLElement && target !== document.body) held = heldBy(target);
    };
    // A click beside everything lets the focus go on purpose.
    const onPointer = () => {
      held = null;
    };
    const check = () => {
      const lost = document.activeElement === document.body || document.activeElement === null;
      if (!held || !lost || usable(held.element)) return;
      const next = nearest(held);
      held = null;
      next?.focus();
    };
    const watching = new MutationObserver(check);
    watching.observe(document.body, {
      childList: true,
      subtree: true,
      attributes: true,
      attributeFilter: ["disabled"],
    });
    document.addEventListener("focusin", onFocus);
    document.addEventListener("pointerdown", onPointer);
    return () => {
      watching.disconnect();
      document.removeEventListener("focusin", onFocus);
      document.removeEventListener("pointerdown", onPointer);
    };
  }, []);
}
