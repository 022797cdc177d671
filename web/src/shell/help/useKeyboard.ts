/** The characters that this person's keyboard has at each place, where the browser tells. */
import { useEffect, useState } from "react";
import type { KeyBinding } from "../keys/binding";

interface Keyboard {
  getLayoutMap?: () => Promise<Map<string, string>>;
}

/** How a key is shown to this person. */
export function useKeyboard(wanted: boolean): (key: KeyBinding) => string {
  const [layout, setLayout] = useState<Map<string, string> | null>(null);
  useEffect(() => {
    const { keyboard } = navigator as Navigator & { keyboard?: Keyboard };
    if (wanted) keyboard?.getLayoutMap?.().then(setLayout, () => setLayout(null));
  }, [wanted]);
  return (key) => (key.shown.length === 1 && !key.shift ? (layout?.get(key.code) ?? key.shown) : key.shown);
}
