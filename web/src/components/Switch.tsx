/** Something that is on or off: a box with a tick, and words beside it that say what is so now. */
import { Button, type ButtonProps } from "@chakra-ui/react";
import styles from "./switch.module.css";
import { TOOL } from "./ToolButton";

export function Switch({ on, children, ...props }: { on: boolean } & ButtonProps) {
  return (
    <Button
      {...TOOL}
      variant="plain"
      borderColor="transparent"
      role="switch"
      aria-checked={on}
      paddingInline="2px"
      gap="6px"
      {...props}
    >
      <span className={styles.box} data-on={on || undefined} />
      {children}
    </Button>
  );
}
