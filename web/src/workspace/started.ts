/** The system that was started on this page: what was made of its colors is told there until that is closed. */
import { create } from "zustand";

export const useStarted = create<{ slug: string | null }>()(() => ({ slug: null }));
