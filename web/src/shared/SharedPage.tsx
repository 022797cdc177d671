/** What a link shows: an alternative beside the main one, to look at and nothing else. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useParams } from "react-router";
import { client, data, problemOf } from "../api/client";
import { Choice } from "../components/Choice";
import { SPECIMENS, Specimen } from "../components/specimens";

export function SharedPage() {
  const { key = "" } = useParams();
  const [screen, setScreen] = useState("ticket");
  const [theme, setTheme] = useState("");
  const query = useQuery({
    queryKey: ["shared", key],
    queryFn: () => data(client.GET("/api/shared/{key}", { params: { path: { key } } })),
    retry: false,
  });
  if (query.error)
    return (
      <Box as="main" padding="20px">
        <Heading as="h1" fontSize="20px" marginBottom="8px">
          {problemOf(query.error).message}
        </Heading>
        <Text>Ask who gave it to you for another one.</Text>
      </Box>
    );
  const shown = query.data;
  const drawn = SPECIMENS.find((each) => each.id === screen) ?? SPECIMENS[0];
  if (!shown || !drawn) return null;
  const Screen = drawn.component;
  const themes = shown.alternatives[0]?.specimen.themes ?? [];
  const at = themes.find((each) => each.id === theme) ?? themes[0];
  return (
    <Box as="main" height="100%" overflowY="auto" bg="bg" color="fg">
      <Flex gap="12px" align="center" wrap="wrap" padding="10px 20px">
        <Heading as="h1" fontSize="20px" fontWeight="700">
          {shown.system}
        </Heading>
        <Choice
          label="Specimen"
          value={drawn.id}
          items={SPECIMENS.map(({ id, words }) => ({ value: id, words }))}
          onChoose={setScreen}
        />
        <Choice
          label="Theme"
          value={at?.id ?? ""}
          items={themes.map(({ id, name }) => ({ value: id, words: name }))}
          onChoose={setTheme}
        />
      </Flex>
      {/* Beside each other where there is the width for it, else one below the other. */}
      <Flex wrap="wrap">
        {shown.alternatives.map((each) => (
          <Box key={each.name} flex="1 1 320px" minWidth="0">
            <Text fontWeight="700" fontSize="12px" padding="4px 20px">
              {each.name}
            </Text>
            <Specimen
              specimen={each.specimen}
              theme={each.specimen.themes.find((other) => other.id === at?.id) ?? each.specimen.themes[0]}
              label={`${drawn.words}, ${each.name}`}
            >
              <Screen />
            </Specimen>
          </Box>
        ))}
      </Flex>
    </Box>
  );
}
