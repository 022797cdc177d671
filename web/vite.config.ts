import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

// The server that `npm run dev` shows the page of. What changes anything must come from the server's own page: the name
// that the browser asked for is passed on as it is.
const target = process.env.HEIMAT_SERVER ?? "http://127.0.0.1:8000";
const proxied = { target, changeOrigin: false };

export default defineConfig({
  plugins: [react()],
  // The server puts another number in its place each time (page.py): styles without it are not let in.
  html: { cspNonce: "heimat-nonce" },
  // Into the Python package, which serves it. Above 500 kB a chunk is warned of.
  build: { outDir: "../src/heimat/page", emptyOutDir: true, reportCompressedSize: false },
  server: { proxy: { "/api": proxied, "/feeds": proxied } },
});
