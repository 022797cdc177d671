/** What the team asks of its releases: what stops one, and which change of a color is a patch. */
import { Flex, Text } from "@chakra-ui/react";
import type { ReleaseRules } from "../../api/client";
import { edit } from "../../api/edits";
import { NumberField } from "../../components/NumberField";
import { Switch } from "../../components/Switch";
import { useWorkspace } from "../../workspace/hooks";
import { useWhole } from "../../workspace/useWhole";

export function Rules({ rules }: { rules: ReleaseRules }) {
  const { put } = useWorkspace();
  const set = useWhole(rules, (whole) => put(edit("set_release_rules", { rules: whole })));
  return (
    <Flex
      as="section"
      gap="8px"
      align="center"
      wrap="wrap"
      fontSize="12px"
      marginBottom="16px"
      role="group"
      aria-label="Rules"
    >
      <Text fontWeight="700" fontSize="13px" width="100%">
        Rules
      </Text>
      <Text color="fg.muted">Refuse</Text>
      <Switch
        on={rules.refuse_open ?? false}
        onClick={() => void set((at) => ({ refuse_open: !at.refuse_open }))}
      >
        while findings are open
      </Switch>
      <Switch
        on={rules.refuse_sudden ?? false}
        title="A token is deprecated in one release before it goes in another"
        onClick={() => void set((at) => ({ refuse_sudden: !at.refuse_sudden }))}
      >
        removals nobody was told of
      </Switch>
      <Text color="fg.muted">A color is a patch below</Text>
      <NumberField
        label="CIEDE2000 below which a change of color is a patch"
        value={rules.patch_below ?? 2}
        low={0}
        high={100}
        step={0.5}
        places={1}
        onCommit={(patch_below) => set({ patch_below })}
      />
    </Flex>
  );
}
