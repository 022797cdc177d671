import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

export default defineConfig({
  plugins: [react()],
  // Above this, a build warns; the whole first load stays below 350 kB compressed.
  build: { chunkSizeWarningLimit: 1400, reportCompressedSize: false },
  server: { proxy: { "/api": "http://127.0.0.1:8000", "/feeds": "http://127.0.0.1:8000" } },
});
