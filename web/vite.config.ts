import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

export default defineConfig({
  plugins: [react()],
  // The server puts another number in its place each time (page.py): styles without it are not let in.
  html: { cspNonce: "heimat-nonce" },
  // Into the Python package, which serves it. Above 500 kB a chunk is warned of.
  build: { outDir: "../src/heimat/page", emptyOutDir: true, reportCompressedSize: false },
  server: { proxy: { "/api": "http://127.0.0.1:8000", "/feeds": "http://127.0.0.1:8000" } },
});
