/** All palettes at a glance, by kind, with names that can be said aloud. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { usePart } from "../../../workspace/hooks";
import { look } from "../../../workspace/look";
import { Area } from "../../shared/Area";
import { KINDS, suitedBy } from "../Suits";
import { useData } from "../useData";

export function GlanceArea() {
  const palettes = usePart("palettes");
  const { shown } = useData();
  return (
    <Area title="All at a glance">
      <Box data-testid="glance">
        {KINDS.map((kind) => {
          const own = palettes.filter((palette) => palette.kind === kind);
          const suited = suitedBy(shown, kind);
          return own.length === 0 ? null : (
            <Box key={kind} marginBottom="8px">
              <Text fontSize="12px">
                <strong>{kind}</strong>
                {suited && `, suits ${suited} of ${shown?.name}`}
              </Text>
              {own.map((palette) => (
                <Flex key={palette.id} gap="12px" align="center" minHeight="30px" fontSize="12px">
                  <Box
                    as="button"
                    cursor="pointer"
                    width="120px"
                    minHeight="28px"
                    textAlign="left"
                    onClick={() => look({ select: `palette:${palette.id}` })}
                  >
                    {palette.name}
                  </Box>
                  <Flex flex="0 0 260px" data-sample>
                    {palette.colors.map((color) => (
                      <Box key={color.id} flex="1 1 0" height="20px" style={{ background: color.seen }} />
                    ))}
                  </Flex>
                  <Text flex="1" minWidth="0" truncate>
                    {palette.kind === "categorical"
                      ? palette.colors.map((color) => color.name).join(", ")
                      : `${palette.colors[0]?.name} to ${palette.colors.at(-1)?.name}`}
                  </Text>
                </Flex>
              ))}
            </Box>
          );
        })}
        {palettes.length === 0 && <Text fontSize="12px">There is no palette yet.</Text>}
      </Box>
    </Area>
  );
}
