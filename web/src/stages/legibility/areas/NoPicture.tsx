/** A work area on pictures while the system has none. */
import { Flex, Text } from "@chakra-ui/react";
import { ToolButton } from "../../../components/ToolButton";
import { goTo } from "../../../workspace/AddressMirror";
import { Area } from "../../shared/Area";
import { PictureWays, type Way } from "./PictureTools";

export function NoPicture({ way, known }: { way: Way; known: boolean }) {
  return (
    <Area title="Pictures" tools={<PictureWays way={way} />}>
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
