/** All systems, and a new one from pasted brand colors. */
import { Box, Flex, Grid, Heading, Link, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link as RouterLink } from "react-router";
import { client, data, problemOf } from "../api/client";
import { Mark } from "../components/Mark";
import { Person } from "../shell/Person";
import { ImportForm } from "./ImportForm";
import { StartForm } from "./StartForm";

const AGAIN_MS = 1500;

export function SystemsList() {
  const query = useQuery({
    queryKey: ["systems"],
    queryFn: () => data(client.GET("/api/systems")),
    retry: (_, thrown) => problemOf(thrown).passing,
    retryDelay: AGAIN_MS,
  });
  const [problem, setProblem] = useState<string | null>(null);
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
          {query.data?.map((system) => (
            <Link
              asChild
              key={system.slug}
              display="block"
              marginBottom="20px"
              color="fg"
              _hover={{ textDecoration: "none" }}
              className="group"
            >
              <RouterLink to={`/systems/${system.slug}/sources`}>
                <Flex height="72px" marginBottom="6px" aria-hidden="true">
                  {system.hues.map((hue, place) => (
                    <Box key={system.hue_names[place]} flex="1" style={{ background: hue.seen }} />
                  ))}
                </Flex>
                <Flex gap="12px" align="baseline">
                  <Text fontSize="16px" fontWeight="700" _groupHover={{ textDecoration: "underline" }}>
                    {system.name}
                  </Text>
                  <Text color="fg.muted">
                    {system.hues.length} hues, {system.tokens} tokens
                  </Text>
                  <Text color="fg.muted" marginLeft="auto">
                    {system.latest ? `${system.latest} is out` : "nothing published yet"}, changed{" "}
                    {new Date(system.changed_at).toLocaleDateString("en-US", {
                      month: "short",
                      day: "numeric",
                    })}
                  </Text>
                </Flex>
                {system.problem && <Text fontWeight="700">{system.problem}</Text>}
              </RouterLink>
            </Link>
          ))}
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
