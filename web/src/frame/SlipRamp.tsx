/** A ramp of the slip: the colors along one quantity, flush, with the value on it. A slider by mouse, touch and keys. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import type { RampView } from "../api/client";
import { NumberField } from "../parts/NumberField";

interface Props {
  label: string;
  ramp: RampView;
  step: number;
  places: number;
  unit?: string;
  movable: boolean;
  onMove: (value: number) => void;
  onEnd: () => void;
  onCancel: () => void;
}

export function SlipRamp({ label, ramp, step, places, unit = "", movable, onMove, onEnd, onCancel }: Props) {
  const track = useRef<HTMLDivElement>(null);
  const [held, setHeld] = useState<number | null>(null);
  const span = ramp.high - ramp.low;
  const value = held ?? ramp.value;
  const share = (at: number) => `${(100 * (Math.min(Math.max(at, ramp.low), ramp.high) - ramp.low)) / span}%`;
  const blocks = ramp.colors
    .map(
      (color, place) =>
        `${color} ${(100 * place) / ramp.colors.length}% ${(100 * (place + 1)) / ramp.colors.length}%`,
    )
    .join(", ");

  const at = (event: PointerEvent) => {
    const box = track.current?.getBoundingClientRect();
    if (!box) return ramp.value;
    const along = Math.min(Math.max((event.clientX - box.left) / box.width, 0), 1);
    return ramp.low + along * span;
  };
  const go = (to: number) => {
    const allowed = Math.min(Math.max(to, ramp.low), ramp.high);
    setHeld(allowed);
    onMove(allowed);
  };
  const onPointerDown = (event: PointerEvent<HTMLDivElement>) => {
    if (!movable || event.button !== 0) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    go(at(event));
  };
  const finish = () => {
    if (held === null) return;
    setHeld(null);
    onEnd();
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (!movable) return;
    const by = event.shiftKey || event.key.startsWith("Page") ? 10 * step : step;
    const up = ["ArrowRight", "ArrowUp", "PageUp"].includes(event.key);
    const down = ["ArrowLeft", "ArrowDown", "PageDown"].includes(event.key);
    if (event.key === "Home") go(ramp.low);
    else if (event.key === "End") go(ramp.high);
    else if (up || down) go(value + (up ? by : -by));
    else if (event.key === "Escape" && held !== null) {
      setHeld(null);
      onCancel();
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <Flex align="center" gap="8px" height="26px">
      <Text width="62px" color="fg.muted">
        {label}
      </Text>
      <Box
        ref={track}
        role="slider"
        tabIndex={movable ? 0 : -1}
        aria-label={label}
        aria-valuemin={ramp.low}
        aria-valuemax={ramp.high}
        aria-valuenow={Number(value.toFixed(places))}
        aria-valuetext={value.toFixed(places) + unit}
        aria-disabled={!movable}
        aria-readonly={!movable}
        flex="1"
        minWidth="80px"
        height="24px"
        position="relative"
        cursor={movable ? "ew-resize" : "default"}
        touchAction="none"
        onPointerDown={onPointerDown}
        onPointerMove={(event) => held !== null && go(at(event))}
        onPointerUp={finish}
        onPointerCancel={() => {
          setHeld(null);
          onCancel();
        }}
        onKeyDown={onKeyDown}
        onKeyUp={finish}
        onBlur={finish}
      >
        {ramp.passing.map(([low = 0, high = 0]) => (
          <Box
            key={low}
            position="absolute"
            top="0"
            height="5px"
            border="1px solid"
            borderBottom="0"
            borderColor="fg"
            style={{ left: share(low), right: `calc(100% - ${share(high)})` }}
          />
        ))}
        <Box
          position="absolute"
          inset="6px 0 4px"
          style={{ background: `linear-gradient(90deg, ${blocks})` }}
        />
        {ramp.reach < ramp.high && (
          <Box
            position="absolute"
            top="3px"
            bottom="1px"
            width="1px"
            bg="fg"
            title={`The gamut ends at ${ramp.reach.toFixed(places)}`}
            style={{ left: share(ramp.reach) }}
          />
        )}
        <Box
          position="absolute"
          top="2px"
          bottom="0"
          width="8px"
          marginLeft="-4px"
          border="2px solid #000000"
          outline="1px solid #FFFFFF"
          style={{ left: share(value), opacity: movable ? 1 : 0.6 }}
        />
      </Box>
      {!movable && (
        <Text width="60px" fontFamily="mono" fontSize="12px" textAlign="right" paddingRight="6px">
          {ramp.value.toFixed(places) + unit}
        </Text>
      )}
      {movable && (
        <NumberField
          label={`${label}, as a number`}
          value={ramp.value}
          low={ramp.low}
          high={ramp.high}
          step={step}
          places={places}
          unit={unit}
          width="60px"
          onCommit={(typed) => {
            onMove(typed);
            onEnd();
          }}
        />
      )}
    </Flex>
  );
}
