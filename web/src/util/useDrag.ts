/** Dragging a thing by its pointer, which stays held wherever it goes until the button is let go. */
import { type PointerEvent, type RefObject, useRef } from "react";

/** Where a pointer is in a box: in pixels of the screen from its upper left corner, and as shares of its size. Outside
 * of the box they are below 0 and above 1. */
export interface DragPoint {
  x: number;
  y: number;
  across: number;
  down: number;
}

interface Drag<Thing> {
  /** A thing is taken hold of. */
  begin?: (thing: Thing, at: DragPoint) => void;
  /** The pointer has gone on, from where it began. */
  move: (thing: Thing, at: DragPoint, from: DragPoint) => void;
  /** The button was let go. */
  end?: (thing: Thing, at: DragPoint) => void;
  /** The system took the drag away. */
  cancel?: (thing: Thing) => void;
}

/** Where a pointer is in a box. */
export function pointIn(element: HTMLElement, event: PointerEvent): DragPoint {
  const box = element.getBoundingClientRect();
  const [x, y] = [event.clientX - box.left, event.clientY - box.top];
  return { x, y, across: x / Math.max(box.width, 1), down: y / Math.max(box.height, 1) };
}

/** `box` is what points are told in. `grab` gives the handlers of a thing that can be dragged by its first button. */
export function useDrag<Thing>(box: RefObject<HTMLElement | null>, drag: Drag<Thing>) {
  const held = useRef<{ thing: Thing; from: DragPoint } | null>(null);
  const at = (event: PointerEvent) => box.current && pointIn(box.current, event);
  const release = () => {
    const last = held.current;
    held.current = null;
    return last;
  };
  const grab = (thing: Thing) => ({
    onPointerDown: (event: PointerEvent<HTMLElement>) => {
      const from = at(event);
      if (event.button !== 0 || !from) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      held.current = { thing, from };
      drag.begin?.(thing, from);
    },
    onPointerMove: (event: PointerEvent<HTMLElement>) => {
      const to = at(event);
      if (held.current && to) drag.move(held.current.thing, to, held.current.from);
    },
    onPointerUp: (event: PointerEvent<HTMLElement>) => {
      const to = at(event);
      const last = release();
      if (last && to) drag.end?.(last.thing, to);
    },
    onPointerCancel: () => {
      const last = release();
      if (last) drag.cancel?.(last.thing);
    },
  });
  return { grab, release };
}

/** A share brought to where the box is. */
export const within = (share: number) => Math.min(Math.max(share, 0), 1);
