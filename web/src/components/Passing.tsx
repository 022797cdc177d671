/** What goes on, and beyond half a second for how long already. */
import { Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";

const TICK_MS = 100;
const SILENT_TICKS = 5;

export function Passing({ words }: { words: string }) {
  const [ticks, setTicks] = useState(0);
  useEffect(() => {
    const ticking = setInterval(() => setTicks((before) => before + 1), TICK_MS);
    return () => clearInterval(ticking);
  }, []);
  if (ticks < SILENT_TICKS) return <Text as="span">{words}</Text>;
  return (
    <Text as="span" aria-hidden="true">
      {words}, {((ticks * TICK_MS) / 1000).toFixed(1)} s
    </Text>
  );
}
