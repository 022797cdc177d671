/** A plain button of the chrome. */
import { Button, type ButtonProps } from "@chakra-ui/react";

/** How it looks: also for buttons that open something. */
export const TOOL = {
  size: "2xs",
  variant: "outline",
  height: "24px",
  paddingInline: "8px",
  fontSize: "12px",
  fontWeight: "400",
  color: "fg",
  borderColor: "border.emphasized",
} satisfies ButtonProps;

export function ToolButton(props: ButtonProps) {
  return <Button {...TOOL} {...props} />;
}
