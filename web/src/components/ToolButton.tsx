/** A plain button of the chrome. */
import { Button, type ButtonProps } from "@chakra-ui/react";

export function ToolButton(props: ButtonProps) {
  return (
    <Button
      size="2xs"
      variant="outline"
      height="24px"
      paddingInline="8px"
      fontSize="12px"
      fontWeight="400"
      color="fg"
      borderColor="border.emphasized"
      {...props}
    />
  );
}
