/** For which scales a setting is: all, the one selected, or those chosen on the sheet. */

import { useState } from "react";
import { huesOf } from "../../../api/keys";
import { Choice } from "../../../components/Choice";
import type { Item } from "../../../components/item";
import { useChosen } from "../../../workspace/chosen";

type Scope = "all" | "one" | "chosen";

interface Props {
  hue: { id: string; name: string };
  /** Whether the hue has settings of its own, and so starts with these. */
  own: boolean;
  /** Where a setting of all would not be seen on a hue that has its own. */
  withoutAll?: boolean;
}

/** `hues` are the ids that it is for; null stands for all. */
export function useScope({ hue, own, withoutAll = false }: Props) {
  const chosen = huesOf(useChosen((state) => state.keys));
  const [wanted, setScope] = useState<Scope>(own ? "one" : "all");
  const several = chosen.length > 1;
  const scope = (wanted === "chosen" && !several) || (wanted === "all" && own && withoutAll) ? "one" : wanted;
  const items: Item<Scope>[] = [
    ...(own && withoutAll ? [] : [{ value: "all" as const, words: "all scales" }]),
    { value: "one", words: hue.name },
    ...(several ? [{ value: "chosen" as const, words: `the ${chosen.length} chosen` }] : []),
  ];
  const hues = scope === "all" ? null : scope === "one" ? [hue.id] : chosen;
  const choice = <Choice label="For" value={scope} items={items} onChoose={setScope} />;
  return { scope, hues, choice, setScope };
}
