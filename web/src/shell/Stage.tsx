/** The stage that is looked at. It takes the place of the one before once everything that it shows is there. */
import { Text } from "@chakra-ui/react";
import { Suspense, useDeferredValue, useRef } from "react";
import { stageOf } from "../stages";
import { StageContext, type StageManifest } from "../stages/manifest";
import { useKnown } from "../workspace/hooks";
import { useInterface } from "../workspace/interface";
import { useLook } from "../workspace/look";
import { ErrorBoundary } from "./ErrorBoundary";

export function Stage() {
  const wanted = stageOf(useLook((at) => at.stage));
  const screen = useInterface((state) => state.screen);
  const needed = wanted.parts(useLook(), screen);
  const ready = useKnown(({ parts }) => needed.every((name) => parts && name in parts));
  const shown = useRef<StageManifest | null>(null);
  if (ready) shown.current = wanted;
  // What is still being loaded is drawn aside, while the stage before stays.
  const stage = useDeferredValue(shown.current);
  if (!stage) return <Text padding="20px">Opening</Text>;
  const Sheet = stage.component;
  return (
    <ErrorBoundary key={stage.id} what={`The stage ${stage.words}`}>
      <Suspense fallback={null}>
        <StageContext value={stage}>
          <Sheet />
        </StageContext>
      </Suspense>
    </ErrorBoundary>
  );
}
