/** A work area on pictures while the system has none. */
import { Flex, Text } from "@chakra-ui/react";
import { ToolButton } from "../../../components/ToolButton";
import { goTo } from "../../../workspace/AddressMirror";
import { Area } from "../../shared/Area";

export function NoPicture({ title, known }: { title: string; known: boolean }) {
  return (
    <Area title={title}>
      <Flex gap="10px" align="center" fontSize="12px">
        <Text>
          {known
            ? "No picture yet. Paste or drop one here, or open one in Sources; it stays with the system."
            : "Looking for pictures"}
        </Text>
        {known && <ToolButton onClick={() => goTo("sources", "picture")}>Open one in Sources</ToolButton>}
      </Flex>
    </Area>
  );
}
