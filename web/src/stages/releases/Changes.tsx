/** What changes: what breaks first, then groups that open to pairs of touching colors with names. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { ChangeGroupView, ChangeView, ComparisonView } from "../../api/client";
import { ToolButton } from "../../components/ToolButton";
import { copyText } from "../../util/copy";

const FIRST = 40;
const FIRST_BREAKS = 8;

interface Props {
  compared: ComparisonView;
  title: string;
}

export function Changes({ compared, title }: Props) {
  const [all, setAll] = useState(false);
  const [said, setSaid] = useState("");
  const { groups, frame, breaks } = compared;
  const shown = all ? groups : groups.slice(0, FIRST);
  const copy = async () => setSaid((await copyText(compared.markdown)) ? "Copied." : "Copying was refused.");
  return (
    <Box as="section" aria-label="Changes">
      <Flex gap="10px" align="center" marginBottom="4px" wrap="wrap">
        <Text fontWeight="700">{title}</Text>
        {groups.length + frame.length > 0 && (
          <ToolButton title="For a review: a table for every kind" onClick={() => void copy()}>
            Copy as Markdown
          </ToolButton>
        )}
        <Text role="status" fontSize="12px">
          {said}
        </Text>
      </Flex>
      {breaks.length > 0 && (
        <Box
          borderLeft="4px solid"
          borderColor="fg"
          paddingLeft="10px"
          marginBottom="8px"
          data-testid="breaks"
        >
          <Text fontWeight="700" fontSize="12px">
            This breaks for who uses it
          </Text>
          {(all ? breaks : breaks.slice(0, FIRST_BREAKS)).map((words) => (
            <Text key={words} fontSize="12px">
              {words}
            </Text>
          ))}
          {!all && breaks.length > FIRST_BREAKS && (
            <ToolButton marginTop="4px" onClick={() => setAll(true)}>
              {breaks.length - FIRST_BREAKS} more that breaks
            </ToolButton>
          )}
        </Box>
      )}
      {frame.map((words) => (
        <Text key={words} fontSize="12px" minHeight="28px" lineHeight="28px" data-testid="frame-change">
          {words}
        </Text>
      ))}
      {shown.map((group) => (
        <Group key={`${group.kind} ${group.words}`} group={group} />
      ))}
      {groups.length > shown.length && (
        <ToolButton marginTop="8px" onClick={() => setAll(true)}>
          Show {groups.length - shown.length} more
        </ToolButton>
      )}
    </Box>
  );
}

function Group({ group }: { group: ChangeGroupView }) {
  const [open, setOpen] = useState(false);
  const [only] = group.changes;
  if (group.changes.length === 1 && only) return <Change change={only} />;
  return (
    <Box>
      <Flex align="center" gap="10px" minHeight="28px" data-testid="change-group">
        <Flex flexShrink={0} width="112px" height="24px" overflow="hidden" data-sample>
          {group.changes.map((change) => (
            <Flex key={`${change.before_name} ${change.after_name}`} direction="column" flex="1 1 0">
              {[change.before, change.after].map(
                (swatch, side) =>
                  swatch && (
                    <Box key={side === 0 ? "before" : "after"} flex="1" style={{ background: swatch.seen }} />
                  ),
              )}
            </Flex>
          ))}
        </Flex>
        <Text flex="1" minWidth="0">
          {group.words}
        </Text>
        <ToolButton
          aria-expanded={open}
          aria-label={`${open ? "Fold" : "All"} of ${group.words}`}
          onClick={() => setOpen(!open)}
        >
          {open ? "Fold" : "All"}
        </ToolButton>
      </Flex>
      {open && (
        <Box paddingLeft="16px">
          {group.changes.map((change) => (
            <Change key={`${change.before_name} ${change.after_name}`} change={change} />
          ))}
        </Box>
      )}
    </Box>
  );
}

function Change({ change }: { change: ChangeView }) {
  return (
    <Flex align="center" gap="10px" minHeight="24px" data-testid="change">
      <Flex flexShrink={0} data-sample>
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
      <Text truncate title={words(change)}>
        {words(change)}
        {change.theme && `, in ${change.theme}`}
      </Text>
    </Flex>
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
