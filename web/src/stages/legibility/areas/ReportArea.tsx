/** The report: the whole state as a page and for a build, and which law or rule binds the team. */
import { Flex, Link, Text } from "@chakra-ui/react";
import { edit } from "../../../api/edits";
import { TextField } from "../../../components/TextField";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { useLook } from "../../../workspace/look";
import { Area } from "../../shared/Area";

const FILES = [
  { name: "report.html", words: "Open the report as a page, to read, print and hand on" },
  { name: "report.json", words: "The same as JSON, for a build that refuses what is open" },
];

export function ReportArea() {
  const slug = useLook((at) => at.slug);
  const duty = usePart("head", (head) => head.duty);
  const { keep } = useWorkspace();
  return (
    <Area title="Report">
      <Flex direction="column" gap="6px" fontSize="12px" align="flex-start" data-testid="report">
        <Text>
          What was checked, how, the figures, the accepted exceptions, and what was not checked and needs a
          person.
        </Text>
        {FILES.map(({ name, words }) => (
          <Link
            key={name}
            href={`/api/systems/${slug}/${name}`}
            target="_blank"
            textDecoration="underline"
            minHeight="24px"
          >
            {words}
          </Link>
        ))}
        <TextField
          label="What binds the team, in its own words: the law, the contract, the house rule"
          value={duty}
          width="520px"
          placeholder="The ferry authority asks for level AA"
          onCommit={(text) => keep([edit("set_duty", { duty: text })])}
        />
      </Flex>
    </Area>
  );
}
