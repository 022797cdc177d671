/** Keeps the address and the look alike: a look changes the address, a link or the browser's Back changes the look. */
import { useEffect, useLayoutEffect, useRef } from "react";
import { useLocation, useNavigate, useNavigationType } from "react-router";
import { addressOf, look, lookOf, useLook } from "./look";

/** The address follows once a person has stopped walking: it is for reloading and sharing. */
const FOLLOW_MS = 120;

export function AddressMirror() {
  const location = useLocation();
  const navigate = useNavigate();
  const how = useNavigationType();
  const go = useRef(navigate);
  go.current = navigate;
  useLayoutEffect(() => {
    // What the address followed is the look itself, or one that a fast hand has left since: it must not come back.
    if (how !== "POP" && (location.state as { follows?: boolean } | null)?.follows) return;
    const wanted = lookOf(location.pathname, location.search);
    if (wanted) useLook.setState(wanted);
  }, [location, how]);
  useEffect(() => {
    let waiting: ReturnType<typeof setTimeout> | undefined;
    const follow = () => {
      const now = useLook.getState();
      // The window's own address is ahead of the one that is drawn.
      const here = window.location;
      // On the list of systems there is nothing to follow.
      if (!lookOf(here.pathname, here.search)) return;
      const { pathname, search } = addressOf(now);
      if (pathname === here.pathname && search === here.search) return;
      // Another stage is a step that Back goes back over; another look at the same one is not.
      const replace = now.bare || pathname === here.pathname;
      go.current({ pathname, search }, { replace, state: { follows: true } });
    };
    const stop = useLook.subscribe((now, before) => {
      clearTimeout(waiting);
      if (now.stage !== before.stage) follow();
      else waiting = setTimeout(follow, FOLLOW_MS);
    });
    return () => {
      stop();
      clearTimeout(waiting);
    };
  }, []);
  return null;
}

/** Go to a stage, and perhaps into one of its work areas. */
export const goTo = (stage: string, area?: string) => look({ stage, ...(area ? { area } : {}) });
