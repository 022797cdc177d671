/** Tables that are opened, dropped or pasted here: read, kept with the system, and drawn. */
import { Box, Text } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";
import { asItIs, client, type DatasetView, data, problemOf } from "../../api/client";
import { ToolButton } from "../../components/ToolButton";
import { useInbox } from "../../workspace/inbox";
import { useInterface } from "../../workspace/interface";
import { useLook } from "../../workspace/look";
import { Suits } from "./Suits";
import { useData } from "./useData";

const MOST_BYTES = 10_000_000;

export function BroughtData() {
  const slug = useLook((at) => at.slug);
  const { again } = useData();
  const arrived = useInbox((inbox) => inbox.files.length > 0 || inbox.text !== "");
  const [said, setSaid] = useState<{ words: string[]; wrong: boolean; kept?: DatasetView } | null>(null);
  const newest = useRef(again);
  newest.current = again;
  useEffect(() => {
    if (!arrived) return;
    const { files, text } = useInbox.getState().take();
    const brought = files.length > 0 ? files : [new File([text], "pasted data")];
    const keep = async (file: File) => {
      if (file.size > MOST_BYTES) {
        const size = (file.size / 1e6).toFixed(0);
        setSaid({
          words: [`“${file.name}” has ${size} MB; a table has at most 10 MB. Give a part of it.`],
          wrong: true,
        });
        return;
      }
      setSaid({ words: [`Reading ${file.name}`], wrong: false });
      try {
        const kept: DatasetView = await data(
          client.POST("/api/systems/{slug}/data", {
            params: { path: { slug }, query: { name: file.name.replace(/\.(csv|tsv)$/i, "") } },
            body: file,
            bodySerializer: asItIs,
            headers: { "Content-Type": "application/octet-stream" },
          }),
        );
        await newest.current();
        useInterface.getState().set({ dataset: kept.id });
        const rows = kept.rows === 1 ? "1 row" : `${kept.rows.toLocaleString("en-US")} rows`;
        setSaid({
          words: [`${kept.name}: ${rows}, ${kept.columns.length} columns.`, ...kept.notes],
          wrong: false,
          kept,
        });
      } catch (thrown) {
        setSaid({ words: [`${file.name}: ${problemOf(thrown).message}`], wrong: true });
      }
    };
    void (async () => {
      for (const file of brought) await keep(file);
    })();
  }, [arrived, slug]);
  if (!said) return null;
  return (
    <Box
      role={said.wrong ? "alert" : "status"}
      paddingInline="20px"
      paddingBottom="6px"
      fontSize="12px"
      display="flex"
      gap="10px"
      alignItems="flex-start"
      data-testid="brought-data"
    >
      <Box fontWeight={said.wrong ? "700" : "400"}>
        {said.words.map((words) => (
          <Text key={words}>{words}</Text>
        ))}
        {said.kept && <Suits data={said.kept} />}
      </Box>
      <ToolButton onClick={() => setSaid(null)} aria-label="Close what was read">
        Close
      </ToolButton>
    </Box>
  );
}
