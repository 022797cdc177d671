/** Seeing the other one in the same place while a key is held: that shows small differences best. */
import { useEffect, useState } from "react";
import { useInterface } from "../../workspace/interface";

const CODE = "KeyX";

export function useFlip(on: boolean): boolean {
  const [held, setHeld] = useState(false);
  useEffect(() => {
    if (!on) return;
    const down = (event: KeyboardEvent) => {
      const { target } = event;
      const typing = target instanceof Element && target.closest("input, textarea, [contenteditable]");
      if (event.code !== CODE || typing || event.ctrlKey || event.metaKey || event.altKey) return;
      if (useInterface.getState().singleKeys) setHeld(true);
    };
    const up = () => setHeld(false);
    window.addEventListener("keydown", down);
    window.addEventListener("keyup", up);
    window.addEventListener("blur", up);
    return () => {
      window.removeEventListener("keydown", down);
      window.removeEventListener("keyup", up);
      window.removeEventListener("blur", up);
      setHeld(false);
    };
  }, [on]);
  return held;
}
