/** What was dropped or pasted anywhere on the page, until somebody takes it. */
import { create } from "zustand";

interface Inbox {
  files: readonly File[];
  text: string;
  put: (files: readonly File[], text: string) => void;
  /** Take all that is there; it is nobody else's then. */
  take: () => { files: readonly File[]; text: string };
}

export const useInbox = create<Inbox>()((set, get) => ({
  files: [],
  text: "",
  put: (files, text) => set({ files: [...get().files, ...files], text: text || get().text }),
  take: () => {
    const { files, text } = get();
    set({ files: [], text: "" });
    return { files, text };
  },
}));
