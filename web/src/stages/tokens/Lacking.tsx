/** What the parts of a specimen lack: each purpose without a token is named beside its part, and added at once. */
import { Flex, Text } from "@chakra-ui/react";
import { type RefObject, useEffect, useState } from "react";
import { client, data, type Parts, problemOf } from "../../api/client";
import { ToolButton } from "../../components/ToolButton";
import { useOnce } from "../../util/useOnce";
import { useWorkspace } from "../../workspace/hooks";
import { useLook, useSeeing } from "../../workspace/look";

interface Props {
  sheet: RefObject<HTMLElement | null>;
  /** Which screen is drawn. */
  screen: string;
  specimen: Parts["specimen"];
}

/** How many purposes are named before the rest is counted. */
const NAMED = 4;

/** An action is drawn from its fill and label alone, where it has no border or state of its own. */
const isOptional = (purpose: string) => /^action\.(?!main\.(fill|label)$)/.test(purpose);

/** The purposes that color what is drawn, with the part of the screen where each is seen first. */
function drawn(sheet: HTMLElement): Map<string, string> {
  const found = new Map<string, string>();
  for (const part of sheet.querySelectorAll<HTMLElement>("[data-specimen] [data-colors]")) {
    const place = part.closest<HTMLElement>("[data-place]")?.dataset.place ?? "page";
    for (const purpose of (part.dataset.colors ?? "").split(" "))
      if (purpose && !isOptional(purpose) && !found.has(purpose)) found.set(purpose, place);
  }
  return found;
}

export function Lacking({ sheet, screen, specimen }: Props) {
  const { put } = useWorkspace();
  const slug = useLook((at) => at.slug);
  const seeing = useSeeing();
  const [lacking, setLacking] = useState<[string, string][]>([]);
  const [said, setSaid] = useState("");
  // biome-ignore lint/correctness/useExhaustiveDependencies: another screen draws other parts
  useEffect(() => {
    const found = sheet.current ? [...drawn(sheet.current)] : [];
    setLacking(found.filter(([purpose]) => !(purpose in specimen.keys)));
    setSaid("");
  }, [sheet, screen, specimen]);
  const purposes = lacking.map(([purpose]) => purpose);
  const add = useOnce(async () => {
    setSaid("");
    try {
      const plan = await data(
        client.POST("/api/systems/{slug}/purposes", {
          params: { path: { slug } },
          body: { ...seeing, purposes },
        }),
      );
      if (plan.edits.length > 0) await put(...plan.edits);
      if (plan.lacking.length > 0)
        setSaid(` ${plan.lacking.length} wait for a status hue: add it in Sources.`);
    } catch (thrown) {
      setSaid(` ${problemOf(thrown).message}`);
    }
  });
  if (lacking.length === 0) return null;
  const places = [...new Set(lacking.map(([, place]) => place.replaceAll("-", " ")))];
  const more = purposes.length > NAMED ? ` and ${purposes.length - NAMED} more` : "";
  const names = purposes.slice(0, NAMED).join(", ") + more;
  return (
    <Flex gap="8px" align="center" marginBottom="8px" data-testid="lacking" role="status">
      <Text fontSize="12px" minWidth="0" truncate title={purposes.join(", ")}>
        {places.join(", ")} {places.length === 1 ? "has" : "have"} no tokens for {names}.{said}
      </Text>
      <ToolButton onClick={() => void add()}>
        Add {lacking.length === 1 ? "it" : `all ${lacking.length}`}
      </ToolButton>
    </Flex>
  );
}
