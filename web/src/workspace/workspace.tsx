/** The system that is open: what the server says of it, and the changes on their way there. */
import { hashKey, keepPreviousData, replaceEqualDeep, useQuery, useQueryClient } from "@tanstack/react-query";
import {
  createContext,
  type ReactNode,
  useCallback,
  useContext,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
} from "react";
import { createStore, type StoreApi, useStore } from "zustand";
import {
  client,
  data,
  type Edit,
  type Looking,
  type Problem,
  problemOf,
  type SystemView,
} from "../api/client";
import { useLooking } from "./looking";
import { SingleFlight } from "./singleFlight";

const AGAIN_MS = 1500;
const OTHERS_MS = 4000;

/** A message over the sheet: something went wrong, and what can be done. */
export interface Notice {
  words: string;
  actions: { words: string; act: () => void }[];
}

/** What is known of the system; it changes with every answer, and who shows a part of it asks for that part. */
interface Known {
  view: SystemView | null;
  missing: Problem | null;
  notice: Notice | null;
  away: boolean;
}

/** What can be done; it stays the same while the system is open, so that who only acts is not drawn again. */
interface Actions {
  tell: (notice: Notice | null) => void;
  preview: (edits: Edit[]) => void;
  endPreview: () => void;
  /** Keep edits as one revision. Resolves when they are kept; rejects with a Problem that belongs to a field. */
  keep: (edits: Edit[]) => Promise<SystemView | null>;
  /** Keep edits as one revision, and tell over the sheet what went wrong: for what has no field to tell it at. */
  put: (...edits: Edit[]) => Promise<void>;
  takeBack: (kind: "undo" | "redo") => Promise<void>;
}

const KnownContext = createContext<StoreApi<Known> | null>(null);
const ActionsContext = createContext<Actions | null>(null);

/** A part of what is known. Who asks for a part is drawn again only when that part has changed. */
export function useKnown<Part>(part: (known: Known) => Part): Part {
  const store = useContext(KnownContext);
  if (!store) throw new Error("useKnown stands inside WorkspaceProvider");
  return useStore(store, part);
}

/** What is known at the moment of asking: for who acts on it and does not show it. */
export function useNow(): () => Known {
  const store = useContext(KnownContext);
  if (!store) throw new Error("useNow stands inside WorkspaceProvider");
  return store.getState;
}

export function useActions(): Actions {
  const found = useContext(ActionsContext);
  if (!found) throw new Error("useActions stands inside WorkspaceProvider");
  return found;
}

/** A part of the view, for what is only shown once there is one. The part is one that the view holds: what is made
 * anew of it at every asking would count as changed every time. */
export function useView<Part>(part: (view: SystemView) => Part): Part {
  return useKnown(({ view }) => {
    if (!view) throw new Error("useView stands where a system is open");
    return part(view);
  });
}

/** A key that makes a repeated request harmless; `randomUUID` would need a secure address. */
const newKey = () =>
  Array.from(crypto.getRandomValues(new Uint32Array(4)), (part) => part.toString(36)).join("-");

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

/** Each system has a workspace of its own: nothing of one is shown in another. */
export function WorkspaceProvider({ children }: { children: ReactNode }) {
  const { slug } = useLooking();
  return <SystemWorkspace key={slug}>{children}</SystemWorkspace>;
}

function SystemWorkspace({ children }: { children: ReactNode }) {
  const { slug, looking } = useLooking();
  const queries = useQueryClient();
  const [previewed, setPreviewed] = useState<SystemView | null>(null);
  const [notice, setNotice] = useState<Notice | null>(null);
  const [unsaved, setUnsaved] = useState(false);

  const query = useQuery({
    queryKey: ["system", slug, looking],
    queryFn: () => data(client.GET("/api/systems/{slug}", { params: { path: { slug }, query: looking } })),
    // The view before stays while another look at the same system is on its way; nothing flashes.
    placeholderData: (before, asked) => (asked?.queryKey[1] === slug ? keepPreviousData(before) : undefined),
    retry: (_, thrown) => problemOf(thrown).passing,
    retryDelay: AGAIN_MS,
    staleTime: Number.POSITIVE_INFINITY,
  });
  const kept = query.data ?? null;

  // What callbacks need of the present, without being made anew by it.
  const now = useRef<{ looking: Looking; revision: number; latest: string | null }>({
    looking,
    revision: 1,
    latest: null,
  });
  now.current.looking = looking;
  if (kept) {
    now.current.revision = kept.revision;
    now.current.latest = kept.latest;
  }

  const refresh = useCallback(async () => {
    await queries.invalidateQueries({ queryKey: ["system", slug] });
  }, [queries, slug]);

  const head = useQuery({
    queryKey: ["head", slug],
    queryFn: () => data(client.GET("/api/systems/{slug}/head", { params: { path: { slug } } })),
    refetchInterval: OTHERS_MS,
    retry: false,
  });
  const newest = head.data?.revision ?? 0;
  useEffect(() => {
    if (newest > now.current.revision) void refresh();
  }, [newest, refresh]);

  // How many previews have been asked for: whoever began a gesture since goes on seeing that, not what was kept before.
  const offered = useRef(0);
  const endPreviewOf = useCallback((last: number) => {
    if (last === offered.current) setPreviewed(null);
  }, []);

  /** Take over an answer, which was asked for by somebody who looked in a certain way; all other looks are outdated. */
  const settle = useCallback(
    (view: SystemView, asked: Looking, last: number) => {
      now.current.revision = view.revision;
      const key = ["system", slug, asked];
      queries.setQueryData(key, view);
      const present = hashKey(["system", slug, now.current.looking]);
      queries.removeQueries({
        queryKey: ["system", slug],
        predicate: ({ queryHash }) => queryHash !== hashKey(key) && queryHash !== present,
      });
      if (present !== hashKey(key)) void refresh();
      endPreviewOf(last);
    },
    [queries, refresh, slug, endPreviewOf],
  );

  // A gesture that has ended outdates the previews that are still on their way.
  const gesture = useRef(0);
  const flight = useMemo(
    () =>
      new SingleFlight<Edit[]>(async (edits) => {
        const { revision: base, looking: view, latest } = now.current;
        const body = { base, edits, view, latest };
        const mine = gesture.current;
        try {
          const view = await data(
            client.POST("/api/systems/{slug}/preview", { params: { path: { slug } }, body }),
          );
          if (mine === gesture.current) setPreviewed(view);
        } catch (thrown) {
          if (!problemOf(thrown).passing) setNotice({ words: problemOf(thrown).message, actions: [] });
        }
      }),
    [slug],
  );

  /** Send until the server has answered: the same key makes a repetition harmless. */
  const insist = useCallback(async <T,>(send: () => Promise<T>): Promise<T> => {
    for (;;) {
      try {
        const answer = await send();
        setUnsaved(false);
        return answer;
      } catch (thrown) {
        if (!problemOf(thrown).passing) {
          setUnsaved(false);
          throw thrown;
        }
        setUnsaved(true);
        await pause(AGAIN_MS);
      }
    }
  }, []);

  // What is kept goes to the server one after another, in the order in which it was done.
  const last = useRef<Promise<unknown>>(Promise.resolve());
  const inLine = useCallback(<T,>(work: () => Promise<T>): Promise<T> => {
    const mine = last.current.then(work);
    last.current = mine.catch(() => undefined);
    return mine;
  }, []);

  const keepNow = useCallback(
    async (edits: Edit[], last: number): Promise<SystemView | null> => {
      const key = newKey();
      const asked = now.current.looking;
      const send = (base: number) => () => {
        const body = { base, edits, key, view: asked };
        return data(client.POST("/api/systems/{slug}/edits", { params: { path: { slug } }, body }));
      };
      try {
        const view = await insist(send(now.current.revision));
        settle(view, asked, last);
        return view;
      } catch (thrown) {
        const problem = problemOf(thrown);
        const { conflict } = problem;
        endPreviewOf(last);
        if (!conflict) throw problem;
        const mine = async () => {
          setNotice(null);
          try {
            settle(await insist(send(conflict.head)), asked, last);
          } catch (again) {
            setNotice({ words: problemOf(again).message, actions: [] });
          }
        };
        setNotice({
          words: problem.message,
          actions: [
            { words: `Keep ${conflict.person}’s`, act: () => setNotice(null) },
            { words: "Apply mine on top", act: () => void mine() },
          ],
        });
        await refresh();
        return null;
      }
    },
    [insist, refresh, settle, slug, endPreviewOf],
  );

  const keep = useCallback(
    (edits: Edit[]): Promise<SystemView | null> => {
      flight.drop();
      gesture.current += 1;
      const last = offered.current;
      return inLine(() => keepNow(edits, last));
    },
    [flight, inLine, keepNow],
  );

  const put = useCallback(
    async (...edits: Edit[]) => {
      try {
        await keep(edits);
      } catch (thrown) {
        setNotice({ words: problemOf(thrown).message, actions: [] });
      }
    },
    [keep],
  );

  const takeBack = useCallback(
    async (kind: "undo" | "redo") => {
      const key = newKey();
      const asked = now.current.looking;
      const last = offered.current;
      try {
        const view = await inLine(() =>
          insist(() => {
            const body = { key, view: asked };
            return data(
              client.POST("/api/systems/{slug}/{kind}", { params: { path: { slug, kind } }, body }),
            );
          }),
        );
        settle(view, asked, last);
      } catch (thrown) {
        setNotice({ words: problemOf(thrown).message, actions: [] });
        await refresh();
      }
    },
    [inLine, insist, refresh, settle, slug],
  );

  const endPreview = useCallback(() => {
    flight.drop();
    gesture.current += 1;
    setPreviewed(null);
  }, [flight]);

  const failed = query.error ? problemOf(query.error) : null;
  const reached = query.failureReason ? problemOf(query.failureReason).passing : false;
  const polled = head.error ? problemOf(head.error).passing : false;
  const known = useMemo<Known>(
    () => ({
      view: previewed ? { ...previewed, undo: kept?.undo ?? null, redo: kept?.redo ?? null } : kept,
      missing: failed && !failed.passing ? failed : null,
      notice,
      away: unsaved || reached || polled,
    }),
    [previewed, kept, failed, notice, unsaved, reached, polled],
  );
  const actions = useMemo<Actions>(
    () => ({
      tell: setNotice,
      preview: (edits) => {
        offered.current += 1;
        flight.offer(edits);
      },
      endPreview,
      keep,
      put,
      takeBack,
    }),
    [flight, endPreview, keep, put, takeBack],
  );

  const [store] = useState(() => createStore<Known>(() => known));
  useLayoutEffect(() => {
    // What is as it was stays the same object, so that only what has changed is drawn again.
    store.setState(({ view }) => ({ ...known, view: replaceEqualDeep(view, known.view) }), true);
  }, [store, known]);

  return (
    <ActionsContext value={actions}>
      <KnownContext value={store}>{children}</KnownContext>
    </ActionsContext>
  );
}
