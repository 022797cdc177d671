/** Drawing a part of the page as the application does. */
import { ChakraProvider } from "@chakra-ui/react";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render } from "@testing-library/react";
import type { ReactElement } from "react";
import { system } from "../src/theme/system";

export function draw(part: ReactElement) {
  const queries = new QueryClient();
  const framed = (part: ReactElement) => (
    <QueryClientProvider client={queries}>
      <ChakraProvider value={system}>{part}</ChakraProvider>
    </QueryClientProvider>
  );
  const drawn = render(framed(part));
  return { ...drawn, redraw: (again: ReactElement) => drawn.rerender(framed(again)) };
}
