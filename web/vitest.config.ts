import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

/** What the page's own parts do, without a browser or a server; pytest starts this and reports it. */
export default defineConfig({
  plugins: [react()],
  test: {
    environment: "jsdom",
    include: ["tests/**/*.test.{ts,tsx}"],
    setupFiles: ["tests/setup.ts"],
    restoreMocks: true,
    isolate: false,
    // Machines are shared: what takes a second alone may take many beside others.
    testTimeout: 60_000,
  },
});
