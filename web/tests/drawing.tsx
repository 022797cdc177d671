/** Drawing a part of the page as the application does. */
import { ChakraProvider } from "@chakra-ui/react";
import { render } from "@testing-library/react";
import type { ReactElement } from "react";
import { system } from "../src/theme/system";

const framed = (part: ReactElement) => <ChakraProvider value={system}>{part}</ChakraProvider>;

export function draw(part: ReactElement) {
  const drawn = render(framed(part));
  return { ...drawn, redraw: (again: ReactElement) => drawn.rerender(framed(again)) };
}
