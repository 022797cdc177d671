/** All systems, the last changed first, and a new one from pasted brand colors. */
import { Box, Flex, Grid, Heading, Input, Text } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { client, data, problemOf, type SystemCardView } from "../api/client";
import { Mark } from "../components/Mark";
import { ToolButton } from "../components/ToolButton";
import { Person } from "../shell/Person";
import { ImportForm } from "./ImportForm";
import { StartForm } from "./StartForm";
import { SystemCard } from "./SystemCard";

const AGAIN_MS = 1500;
/** As many are found at a glance. */
const FEW = 4;
/** Of the first ones it is told what is to settle, which takes a look at the whole system. */
const MOST_LOOKED_INTO = 12;

export function SystemsList() {
  const query = useQuery({
    queryKey: ["systems"],
    queryFn: () => data(client.GET("/api/systems")),
    retry: (_, thrown) => problemOf(thrown).passing,
    retryDelay: AGAIN_MS,
  });
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [problem, setProblem] = useState<string | null>(null);
  const [wanted, setWanted] = useState("");
  const [opened, setOpened] = useState(false);
  const all = query.data ?? [];
  const found = all.filter(({ name }) => name.toLowerCase().includes(wanted.trim().toLowerCase()));
  const here = found.filter((system) => !system.archived);
  const away = found.filter((system) => system.archived);
  const told = async (work: () => Promise<unknown>) => {
    setProblem(null);
    try {
      await work();
    } catch (thrown) {
      setProblem(problemOf(thrown).message);
    }
    await queries.invalidateQueries({ queryKey: ["systems"] });
  };
  const done = ({ slug }: SystemCardView) => ({
    onCopy: () =>
      void told(async () => {
        const copy = await data(client.POST("/api/systems/{slug}/copies", { params: { path: { slug } } }));
        navigate(`/systems/${copy.slug}/sources`);
      }),
    onArchive: (archived: boolean) =>
      void told(() =>
        data(client.PUT("/api/systems/{slug}/archived", { params: { path: { slug } }, body: { archived } })),
      ),
  });
  const said = query.failureReason ? problemOf(query.failureReason).message : problem;
  return (
    <Grid height="100%" templateRows="44px minmax(0, 1fr)">
      <Flex
        as="header"
        align="center"
        justify="space-between"
        paddingInline="14px"
        borderBottom="1px solid"
        borderColor="fg"
      >
        <Mark />
        <Person onProblem={setProblem} />
      </Flex>
      <Grid
        as="main"
        templateColumns={{ base: "1fr", md: "minmax(0, 1fr) 400px" }}
        minHeight="0"
        overflow="auto"
      >
        <Box padding="24px 28px">
          <Heading as="h1" fontSize="20px" marginBottom="16px">
            Systems
          </Heading>
          {said && (
            <Text fontWeight="700" role="status" marginBottom="12px">
              {said}
            </Text>
          )}
          {all.length > FEW && (
            <Input
              aria-label="Search the systems"
              placeholder="Part of a name"
              size="xs"
              width="260px"
              marginBottom="16px"
              borderColor="border.emphasized"
              autoComplete="off"
              value={wanted}
              onChange={(event) => setWanted(event.target.value)}
            />
          )}
          {here.map((system, place) => (
            <SystemCard
              key={system.slug}
              system={system}
              looked={place < MOST_LOOKED_INTO}
              {...done(system)}
            />
          ))}
          {!query.data && !said && <Text color="fg.muted">Looking for systems</Text>}
          {wanted.trim() !== "" && found.length === 0 && <Text>No system is called “{wanted.trim()}”.</Text>}
          {away.length > 0 && (
            <Box as="section" aria-label="Put away" marginTop="28px">
              <ToolButton aria-expanded={opened} onClick={() => setOpened(!opened)} marginBottom="12px">
                {opened ? "Fold" : "Show"} {away.length} put away
              </ToolButton>
              {opened &&
                away.map((system) => (
                  <SystemCard key={system.slug} system={system} looked={false} {...done(system)} />
                ))}
            </Box>
          )}
          {query.data?.length === 0 && <Text>None yet. Paste a brand color to start the first one.</Text>}
        </Box>
        <Box bg="bg.subtle" borderLeft="1px solid" borderColor="border" padding="24px 28px">
          <StartForm />
          <ImportForm />
        </Box>
      </Grid>
    </Grid>
  );
}
