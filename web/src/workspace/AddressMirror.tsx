/** Keeps the address and the look alike: a look changes the address, a link or the browser's Back changes the look. */
import { useEffect, useLayoutEffect, useRef } from "react";
import { useLocation, useNavigate } from "react-router";
import { addressOf, look, lookOf, useLook } from "./look";

/** The address follows once a person has stopped walking: it is for reloading and sharing. */
const FOLLOW_MS = 120;

export function AddressMirror() {
  const location = useLocation();
  const navigate = useNavigate();
  const here = useRef(location);
  here.current = location;
  const go = useRef(navigate);
  go.current = navigate;
  useLayoutEffect(() => {
    const wanted = lookOf(location.pathname, location.search);
    if (wanted) useLook.setState(wanted);
  }, [location]);
  useEffect(() => {
    let waiting: ReturnType<typeof setTimeout> | undefined;
    const follow = () => {
      const now = useLook.getState();
      // On the list of systems there is nothing to follow.
      if (!lookOf(here.current.pathname, here.current.search)) return;
      const { pathname, search } = addressOf(now);
      if (pathname === here.current.pathname && search === here.current.search) return;
      // Another stage is a step that Back goes back over; another look at the same one is not.
      go.current({ pathname, search }, { replace: now.bare || pathname === here.current.pathname });
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
