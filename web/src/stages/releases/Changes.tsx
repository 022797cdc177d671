/** What will change, as pairs of touching colors with names. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { ChangeView } from "../../api/client";
import { ToolButton } from "../../components/ToolButton";

const FIRST = 24;

export function Changes({ changes, first }: { changes: ChangeView[]; first: boolean }) {
  const [all, setAll] = useState(false);
  const shown = all ? changes : changes.slice(0, FIRST);
  return (
    <Box as="section" aria-label="Changes">
      <Text fontWeight="700" marginBottom="4px">
        {first ? `The first release: ${changes.length} tokens` : `What will change: ${changes.length}`}
      </Text>
      {shown.map((change) => (
        <Flex
          key={`${change.change} ${change.before_name} ${change.after_name}`}
          align="center"
          gap="10px"
          minHeight="24px"
          data-testid="change"
        >
          <Flex flexShrink={0}>
            {[change.before, change.after].map(
              (swatch, place) =>
                swatch && (
                  <Box
                    key={place === 0 ? "before" : "after"}
                    height="24px"
                    width={change.before && change.after ? "28px" : "56px"}
                    style={{ background: swatch.seen }}
                  />
                ),
            )}
          </Flex>
          <Text truncate>
            {words(change)}
            {change.theme && `, in ${change.theme}`}
          </Text>
        </Flex>
      ))}
      {changes.length > shown.length && (
        <ToolButton marginTop="8px" onClick={() => setAll(true)}>
          Show {changes.length - shown.length} more
        </ToolButton>
      )}
    </Box>
  );
}

function words(change: ChangeView): string {
  const { before_name: before, after_name: after } = change;
  const colors = change.distance
    ? `, ${change.before?.hex} to ${change.after?.hex}, CIEDE2000 ${change.distance}`
    : "";
  switch (change.change) {
    case "described":
      return `${after} is described otherwise`;
    case "added":
      return `${after} is new: ${change.after_alias ?? change.after?.hex}`;
    case "removed":
      return `${before} goes; whoever uses it needs another`;
    case "renamed":
      return `${before} is called ${after}${colors}`;
    case "repointed":
      return `${after} stands for ${change.after_alias ?? change.after?.hex}, was ${change.before_alias ?? change.before?.hex}${
        change.distance ? `, CIEDE2000 ${change.distance}` : ""
      }`;
    default:
      return `${after}${colors}`;
  }
}
