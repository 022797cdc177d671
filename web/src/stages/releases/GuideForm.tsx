/** How the guide is made: its width, its columns, the notations of values, its parts and their order. */
import { Flex, Link, Text } from "@chakra-ui/react";
import type { Guide } from "../../api/client";
import { edit } from "../../api/edits";
import { NumberField } from "../../components/NumberField";
import { Switch } from "../../components/Switch";
import { ToolButton } from "../../components/ToolButton";
import { useWorkspace } from "../../workspace/hooks";
import { useLook } from "../../workspace/look";
import { useWhole } from "../../workspace/useWhole";

type Notation = NonNullable<Guide["notations"]>[number];
type Piece = NonNullable<Guide["parts"]>[number];
const NOTATIONS: Notation[] = ["hex", "rgb", "hsl", "oklch"];
const PARTS: Record<Piece, string> = {
  scales: "Scales",
  tokens: "Tokens",
  palettes: "Palettes",
  pairings: "What stands on what",
  apart: "What is told apart",
  exceptions: "Accepted exceptions",
  use: "How to use it",
};

export function GuideForm({ guide }: { guide: Guide }) {
  const { put } = useWorkspace();
  const slug = useLook((at) => at.slug);
  const notations = guide.notations ?? ["hex"];
  const all = Object.keys(PARTS) as Piece[];
  const parts = guide.parts ?? all;
  const set = useWhole(guide, (whole) => put(edit("set_guide", { guide: whole })));
  const turn = (each: Notation) => {
    void set(({ notations: now = ["hex"] }) => {
      const left = now.includes(each) ? now.filter((other) => other !== each) : [...now, each];
      return left.length > 0 ? { notations: left } : {};
    });
  };
  const earlier = (place: number) => {
    const moved = [...parts];
    moved.splice(place - 1, 0, ...moved.splice(place, 1));
    void set({ parts: moved });
  };
  return (
    <Flex
      direction="column"
      gap="6px"
      fontSize="12px"
      marginBottom="8px"
      role="group"
      aria-label="How the guide is made"
      data-testid="guide-form"
    >
      <Flex gap="8px" align="center" wrap="wrap">
        <Text color="fg.muted">Width</Text>
        <NumberField
          label="Width of the guide"
          unit="px"
          value={guide.width ?? 1080}
          low={480}
          high={1600}
          step={20}
          places={0}
          onCommit={(width) => set({ width })}
        />
        <Text color="fg.muted">columns</Text>
        <NumberField
          label="Columns of tokens"
          value={guide.columns ?? 1}
          low={1}
          high={4}
          step={1}
          places={0}
          onCommit={(columns) => set({ columns })}
        />
        {NOTATIONS.map((each) => (
          <Switch
            key={each}
            on={notations.includes(each)}
            title={notations.length === 1 && notations.includes(each) ? "One notation stays" : undefined}
            onClick={() => turn(each)}
          >
            {each}
          </Switch>
        ))}
      </Flex>
      <Link
        href={`/api/systems/${encodeURIComponent(slug)}/guide`}
        target="_blank"
        textDecoration="underline"
        color="fg"
        alignSelf="flex-start"
        minHeight="24px"
      >
        Look at the guide as it would be
      </Link>
      <Flex gap="6px" align="center" wrap="wrap">
        <Text color="fg.muted">Parts, in this order</Text>
        {parts.map((part, place) => (
          <Flex key={part} gap="0">
            <Switch
              on
              aria-label={`${PARTS[part]} in the guide`}
              title={parts.length === 1 ? "One part stays" : "Leave it out"}
              onClick={() => parts.length > 1 && void set({ parts: parts.filter((other) => other !== part) })}
            >
              {PARTS[part]}
            </Switch>
            {place > 0 && (
              <ToolButton
                aria-label={`${PARTS[part]} earlier`}
                title="Earlier"
                onClick={() => earlier(place)}
              >
                earlier
              </ToolButton>
            )}
          </Flex>
        ))}
        {all
          .filter((part) => !parts.includes(part))
          .map((part) => (
            <Switch
              key={part}
              on={false}
              aria-label={`${PARTS[part]} in the guide`}
              title="Put it in"
              onClick={() => void set({ parts: [...parts, part] })}
            >
              {PARTS[part]}
            </Switch>
          ))}
      </Flex>
    </Flex>
  );
}
