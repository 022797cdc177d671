/**
 * Keys. By physical position, so that they lie where they are shown on every layout; never while typing in a field;
 * those of a single character can be switched off.
 */
export interface KeyBinding {
  code: string;
  shift?: boolean;
  /** With Ctrl or Cmd; such keys cannot be switched off. */
  command?: boolean;
  shown: string;
  words: string;
  act: (event: KeyboardEvent) => void;
}

/** Keys that do the same kind of thing, with what that is. */
export interface KeyGroup {
  words: string;
  bindings: KeyBinding[];
}

const TYPING = new Set(["INPUT", "TEXTAREA", "SELECT"]);
/** Fields that take no text: a slider that was dragged still has the focus when its change shall be taken back. */
const WITHOUT_TEXT = new Set(["range", "checkbox", "radio", "button", "file"]);

export function isTyping(target: EventTarget | null): boolean {
  if (target instanceof HTMLInputElement && WITHOUT_TEXT.has(target.type)) return false;
  return target instanceof HTMLElement && (TYPING.has(target.tagName) || target.isContentEditable);
}

export function dispatch(event: KeyboardEvent, bindings: KeyBinding[], singleKeys: boolean): void {
  if (event.altKey || event.defaultPrevented) return;
  const command = event.ctrlKey || event.metaKey;
  if (isTyping(event.target)) return;
  if (!command && !singleKeys) return;
  const bound = bindings.find(
    (key) =>
      key.code === event.code &&
      Boolean(key.command) === command &&
      (key.shift === undefined || key.shift === event.shiftKey),
  );
  if (!bound) return;
  event.preventDefault();
  bound.act(event);
}
