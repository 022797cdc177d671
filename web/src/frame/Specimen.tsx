/** The specimen: a small piece of the product, drawn with the system's tokens, live. */
import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useView } from "../state/workspace";

const SAILINGS = [
  { time: "07:40", vessel: "Alke", words: "42 of 96 places left", state: "On time", token: "status.success" },
  {
    time: "09:15",
    vessel: "Dunlin",
    words: "8 of 96 places left",
    state: "12 min late",
    token: "status.warning",
  },
  { time: "12:05", vessel: "Curlew", words: "Sea state 7", state: "Cancelled", token: "status.error" },
  { time: "16:30", vessel: "Tern", words: "From quay 2", state: "Gate change", token: "status.information" },
];
const BARS = [88, 68, 56, 44, 36, 24];

/** A token's color as seen; tokens that a system does not have leave no color behind. */
function useTokens() {
  const { tokens } = useView();
  const seen = new Map(tokens.map((token) => [token.name, token.seen]));
  return (name: string) => seen.get(name) ?? "transparent";
}

export function Specimen() {
  const { theme } = useView();
  const token = useTokens();
  const ink = token("text.plain");
  return (
    <Box
      as="aside"
      aria-label="Specimen"
      width="340px"
      flexShrink={0}
      borderLeft="1px solid"
      borderColor="border"
      bg="bg.subtle"
      padding="12px 14px"
      overflowY="auto"
      tabIndex={0}
      data-testid="specimen"
    >
      <Flex justify="space-between" marginBottom="8px" fontSize="12px">
        <Text fontWeight="700">Specimen: ticket page</Text>
        <Text>
          Theme <strong>{theme?.name}</strong>
        </Text>
      </Flex>
      <Box
        data-sample
        style={{ background: token("surface.page"), color: ink, borderColor: token("border.divider") }}
        borderWidth="1px"
      >
        <Box
          padding="14px 12px"
          style={{ background: token("surface.brand"), color: token("text.on-brand") }}
        >
          <Text fontSize="15px" fontWeight="700">
            Skarvik to Tarnsey
          </Text>
          <Text fontSize="12px">Tuesday, 4 sailings</Text>
        </Box>
        {SAILINGS.map((sailing) => (
          <Grid
            key={sailing.vessel}
            templateColumns="52px 1fr auto"
            alignItems="center"
            padding="8px 12px"
            borderBottomWidth="1px"
            style={{ borderColor: token("border.divider") }}
          >
            <Text fontFamily="mono" style={{ color: token("text.strong") }}>
              {sailing.time}
            </Text>
            <Box>
              <Text fontWeight="700" style={{ color: token("text.strong") }}>
                {sailing.vessel}
              </Text>
              <Text fontSize="12px" style={{ color: token("text.faint") }}>
                {sailing.words}
              </Text>
            </Box>
            <Flex
              align="center"
              gap="6px"
              fontSize="12px"
              fontWeight="700"
              paddingInline="8px"
              paddingBlock="2px"
              style={{ background: token("surface.card") }}
            >
              <Box
                width="10px"
                height="10px"
                borderRadius="50%"
                style={{ background: token(sailing.token) }}
              />
              {sailing.state}
            </Flex>
          </Grid>
        ))}
        <Flex gap="8px" padding="12px" align="center" fontWeight="700" fontSize="13px">
          {[
            ["Book", "action.fill"],
            ["hovered", "action.hover"],
            ["pressed", "action.pressed"],
          ].map(([words = "", fill = ""]) => (
            <Box
              key={words}
              padding="5px 11px"
              borderRadius="2px"
              style={{ background: token(fill), color: token("action.label") }}
            >
              {words}
            </Box>
          ))}
          <Box marginLeft="4px" textDecoration="underline" style={{ color: token("link.rest") }}>
            Fares
          </Box>
        </Flex>
        <Box padding="0 12px 12px">
          <Text fontSize="12px" marginBottom="3px" style={{ color: token("text.plain") }}>
            Name on the ticket
          </Text>
          <Box
            padding="6px 8px"
            borderWidth="1px"
            style={{
              background: token("surface.card"),
              borderColor: token("border.plain"),
              color: token("text.plain"),
            }}
          >
            Ines Vahl
          </Box>
        </Box>
      </Box>
      <Box
        data-sample
        marginTop="12px"
        padding="12px"
        borderWidth="1px"
        style={{
          background: token("surface.card"),
          color: token("text.strong"),
          borderColor: token("border.divider"),
        }}
      >
        <Text fontWeight="700" marginBottom="10px">
          Passengers by route
        </Text>
        <Flex
          align="flex-end"
          gap="6px"
          height="90px"
          borderBottomWidth="1px"
          style={{ borderColor: token("border.plain") }}
        >
          {BARS.map((height, place) => (
            <Box
              key={height}
              flex="1"
              style={{ height: `${height}px`, background: token(`chart.series.${place + 1}`) }}
            />
          ))}
        </Flex>
      </Box>
    </Box>
  );
}
