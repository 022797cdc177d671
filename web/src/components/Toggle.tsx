/** A button that is on or off: on, it is ink. */
import type { ButtonProps } from "@chakra-ui/react";
import { ToolButton } from "./ToolButton";

export function Toggle({ on, ...props }: { on: boolean } & ButtonProps) {
  return (
    <ToolButton aria-pressed={on} {...(on ? { bg: "fg", color: "bg", borderColor: "fg" } : {})} {...props} />
  );
}
