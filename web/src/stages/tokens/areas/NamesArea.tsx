/** Names: many at once by a pattern, every name before and after; and the pattern of the scale tokens. */
import { Box, Field, Flex, Input, Text } from "@chakra-ui/react";
import { type ReactNode, useState } from "react";
import { client, data, problemOf } from "../../../api/client";
import { CASES } from "../../../api/constants.generated";
import { edit } from "../../../api/edits";
import { newId } from "../../../api/ids";
import { Choice } from "../../../components/Choice";
import { Switch } from "../../../components/Switch";
import { ToolButton } from "../../../components/ToolButton";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { useLook } from "../../../workspace/look";
import { useLatest } from "../../../workspace/useLatest";
import { Area } from "../../shared/Area";
import { ScaleNames } from "./ScaleNames";

type Case = (typeof CASES)[number]["value"];
const NOTHING = { find: "", replace: "", prefix: "", order: "", case: "kept" as Case };

export function NamesArea() {
  const slug = useLook((at) => at.slug);
  const revision = usePart("head", (head) => head.revision);
  const { keep } = useWorkspace();
  const [wish, setWish] = useState(NOTHING);
  const [old, setOld] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const order = wish.order.split(/[^0-9]+/).flatMap((part) => (Number(part) > 0 ? [Number(part)] : []));
  const { answer: plan, problem: refused } = useLatest(
    { ...wish, order, revision },
    ({ revision: _, ...body }) =>
      data(client.POST("/api/systems/{slug}/token-names", { params: { path: { slug } }, body })),
  );
  const changed = plan?.rows.filter((row) => row.before !== row.after) ?? [];
  const shown = changed.length > 0 ? changed : (plan?.rows ?? []);
  const rename = async () => {
    if (changed.length === 0 || (plan?.problems ?? 0) > 0) {
      setProblem(
        changed.length === 0
          ? "Nothing would change: say what to find, a prefix, a case or an order."
          : "Two names cannot be one: change the pattern until none is marked.",
      );
      return;
    }
    await call(changed, old);
  };
  const call = async (rows: { token: string; after: string }[], living: boolean) => {
    const names = Object.fromEntries(rows.map((row) => [row.token, row.after]));
    const kept = living ? Object.fromEntries(rows.map((row) => [row.token, newId()])) : {};
    try {
      await keep([edit("rename_tokens", { names, keep: kept })]);
      setWish(NOTHING);
      setProblem(null);
    } catch (thrown) {
      setProblem(problemOf(thrown).message);
    }
  };
  const newer = plan?.newer ?? [];
  const set = (change: Partial<typeof wish>) => {
    setWish({ ...wish, ...change });
    setProblem(null);
  };
  return (
    <Area
      title="Names"
      tools={
        <>
          <Part label="Find" value={wish.find} onChange={(find) => set({ find })} onEnter={rename} />
          <Part
            label="Replace by"
            value={wish.replace}
            onChange={(replace) => set({ replace })}
            onEnter={rename}
          />
          <Part
            label="Prefix"
            value={wish.prefix}
            onChange={(prefix) => set({ prefix })}
            onEnter={rename}
            width="90px"
          />
          <Part
            label="Parts first"
            value={wish.order}
            placeholder="2 1"
            width="60px"
            onChange={(parts) => set({ order: parts })}
            onEnter={rename}
          />
          <Choice
            label="Case"
            value={wish.case}
            items={[...CASES]}
            onChoose={(chosen) => set({ case: chosen })}
          />
          <Switch
            on={old}
            title="The old names stay, deprecated, as aliases of the new ones, until they are removed"
            onClick={() => setOld(!old)}
          >
            Old names live on
          </Switch>
        </>
      }
      actions={
        <ToolButton
          disabled={changed.length === 0 || (plan?.problems ?? 0) > 0}
          onClick={() => void rename()}
        >
          {changed.length === 0 ? "Rename" : `Rename ${changed.length}`}
        </ToolButton>
      }
    >
      {(problem ?? refused?.message) && (
        <Text role="alert" fontSize="12px" fontWeight="700">
          {problem ?? refused?.message}
        </Text>
      )}
      {newer.length > 0 && (
        <Flex gap="10px" align="center" fontSize="12px" marginBottom="8px" wrap="wrap" data-testid="newer">
          <Text>
            New systems say {newer.map((row) => `${row.after} for ${row.before}`).join(", and ")}. Here the
            old {newer.length === 1 ? "name stays" : "names stay"} until you change{" "}
            {newer.length === 1 ? "it" : "them"}.
          </Text>
          <ToolButton
            title="The old names stay, deprecated, as aliases of the new ones, until they are removed"
            onClick={() => void call(newer, true)}
          >
            Rename, and let the old {newer.length === 1 ? "name" : "names"} live on
          </ToolButton>
        </Flex>
      )}
      <Flex gap="24px" align="flex-start" wrap="wrap">
        <Box
          flex="1.6 1 420px"
          minWidth="0"
          data-testid="renaming"
          role="group"
          aria-label="Names before and after"
        >
          {shown.map((row) => (
            <Flex key={row.token} gap="10px" fontSize="12px" minHeight="20px">
              <Text flex="1 1 0" minWidth="0" truncate color="fg.muted">
                {row.before}
              </Text>
              <Text flex="1 1 0" minWidth="0" truncate fontWeight={row.before === row.after ? "400" : "700"}>
                {row.after}
              </Text>
              <Text flex="1 1 0" minWidth="0" title={row.problem ?? undefined}>
                {row.problem}
              </Text>
            </Flex>
          ))}
        </Box>
        <Box flex="1 1 300px" minWidth="0">
          <ScaleNames />
        </Box>
      </Flex>
    </Area>
  );
}

function Part({
  label,
  value,
  onChange,
  onEnter,
  width = "120px",
  placeholder,
}: {
  label: string;
  value: string;
  onChange: (text: string) => void;
  onEnter: () => Promise<void>;
  width?: string;
  placeholder?: string;
}): ReactNode {
  return (
    <Field.Root width="auto" orientation="horizontal" gap="4px">
      <Field.Label fontSize="12px" fontWeight="400" flex="none">
        {label}
      </Field.Label>
      <Input
        size="2xs"
        height="26px"
        width={width}
        flex="none"
        fontSize="13px"
        borderColor="border.emphasized"
        value={value}
        placeholder={placeholder}
        autoComplete="off"
        spellCheck={false}
        onChange={(event) => onChange(event.target.value)}
        onKeyDown={(event) => event.key === "Enter" && void onEnter()}
      />
    </Field.Root>
  );
}
