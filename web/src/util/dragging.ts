/** Whether something on this page is dragged by its pointer, or a row of it by the browser: what such a drag does is its
 * own, no text is marked by it, and nothing of it comes from outside. */

let held = 0;
let own = false;

/** Watch for drags from now on; what is returned ends that. */
export function watchDrags(): () => void {
  const begin = () => {
    held += 1;
    document.documentElement.style.userSelect = "none";
  };
  const end = () => {
    held = Math.max(held - 1, 0);
    if (held === 0) document.documentElement.style.userSelect = "";
  };
  const start = () => {
    own = true;
  };
  const over = () => {
    own = false;
  };
  const list = [
    ["gotpointercapture", begin],
    ["lostpointercapture", end],
    ["dragstart", start],
    ["dragend", over],
  ] as const;
  for (const [type, act] of list) window.addEventListener(type, act, { capture: true });
  return () => {
    for (const [type, act] of list) window.removeEventListener(type, act, { capture: true });
  };
}

/** Whether a pointer holds something. */
export const isDragging = () => held > 0;

/** Whether what the browser drags began on this page. */
export const isOwnDrag = () => own;
