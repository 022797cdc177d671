import "@fontsource-variable/atkinson-hyperlegible-next/wght.css";
import "@fontsource-variable/atkinson-hyperlegible-mono/wght.css";
import { ChakraProvider } from "@chakra-ui/react";
import createCache from "@emotion/cache";
import { CacheProvider } from "@emotion/react";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";
import { App } from "./App";
import { system } from "./theme/system";

const queries = new QueryClient({ defaultOptions: { queries: { refetchOnWindowFocus: false } } });
// Styles that are made while the page runs are let in by the number that the server has given it.
const styles = createCache({
  key: "css",
  nonce: document.querySelector<HTMLMetaElement>("meta[property=csp-nonce]")?.nonce,
});
const root = document.getElementById("root");
if (root) {
  createRoot(root).render(
    <StrictMode>
      <CacheProvider value={styles}>
        <ChakraProvider value={system}>
          <QueryClientProvider client={queries}>
            <BrowserRouter>
              <App />
            </BrowserRouter>
          </QueryClientProvider>
        </ChakraProvider>
      </CacheProvider>
    </StrictMode>,
  );
}
