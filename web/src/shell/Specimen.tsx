/** The specimen: a small piece of the product, drawn with the system's tokens, live. */

import { Box } from "@chakra-ui/react";
import { usePart } from "../workspace/hooks";
import styles from "./specimen.module.css";

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
const ACTIONS = [
  ["Book", "action.main.fill"],
  ["hovered", "action.main.fill-hovered"],
  ["pressed", "action.main.fill-pressed"],
] as const;
const BARS = [88, 68, 56, 44, 36, 24];

const NONE = "transparent";

/** The color, as seen, of the token for a purpose; where a system has none for it, no color is left behind. */
function useTokens() {
  const tokens = usePart("tokens");
  const seen = new Map(
    tokens.flatMap((token) => (token.purpose ? [[token.purpose as string, token.seen]] : [])),
  );
  return (purpose: string) => seen.get(purpose) ?? NONE;
}

export function Specimen() {
  const theme = usePart("head", (head) => head.theme?.name);
  const token = useTokens();
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
      <div className={styles.head}>
        <strong>Specimen: ticket page</strong>
        <span>
          Theme <strong>{theme}</strong>
        </span>
      </div>
      <div
        data-sample
        className={styles.page}
        style={{
          background: token("surface.page"),
          color: token("text.plain"),
          borderColor: token("border.divider"),
        }}
      >
        <div
          className={styles.brand}
          style={{ background: token("surface.brand"), color: token("text.on-brand") }}
        >
          <div className={styles.title}>Skarvik to Tarnsey</div>
          Tuesday, 4 sailings
        </div>
        {SAILINGS.map((sailing) => (
          <div
            key={sailing.vessel}
            className={styles.sailing}
            style={{ borderColor: token("border.divider") }}
          >
            <span className={styles.time} style={{ color: token("text.strong") }}>
              {sailing.time}
            </span>
            <div>
              <strong style={{ color: token("text.strong") }}>{sailing.vessel}</strong>
              <div className={styles.small} style={{ color: token("text.faint") }}>
                {sailing.words}
              </div>
            </div>
            <span className={styles.badge} style={{ background: token("surface.card") }}>
              {token(sailing.token) !== NONE && (
                <span className={styles.dot} style={{ background: token(sailing.token) }} />
              )}
              {sailing.state}
            </span>
          </div>
        ))}
        <div className={styles.actions}>
          {ACTIONS.map(([words, fill]) => (
            <span
              key={words}
              className={styles.action}
              style={{ background: token(fill), color: token("action.main.label") }}
            >
              {words}
            </span>
          ))}
          <span className={styles.link} style={{ color: token("link.text") }}>
            Fares
          </span>
        </div>
        <div className={styles.form}>
          <div className={styles.small}>Name on the ticket</div>
          <div
            className={styles.field}
            style={{ background: token("surface.card"), borderColor: token("border.plain") }}
          >
            Ines Vahl
          </div>
        </div>
      </div>
      <div
        data-sample
        className={styles.card}
        style={{
          background: token("surface.card"),
          color: token("text.strong"),
          borderColor: token("border.divider"),
        }}
      >
        <strong>Passengers by route</strong>
        <div className={styles.chart} style={{ borderColor: token("border.plain") }}>
          {BARS.map((height, place) => (
            <div key={height} style={{ flex: 1, height, background: token(`chart.series.${place + 1}`) }} />
          ))}
        </div>
      </div>
    </Box>
  );
}
