import { cleanup, configure } from "@testing-library/react";
import { afterEach } from "vitest";

afterEach(() => {
  cleanup();
  // What one test leaves on its way is no other's.
  sessionStorage.clear();
});
// Machines are shared: what is waited for comes late beside others.
configure({ asyncUtilTimeout: 20_000 });

/** Nothing is laid out here, so nothing changes its size. */
class NoResizes implements ResizeObserver {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}
globalThis.ResizeObserver = NoResizes;

// Nothing moves here either: what waits for the end of an animation would wait for ever.
const still = document.createElement("style");
still.textContent = "* { animation: none !important; }";
document.head.append(still);

// And nothing is scrolled.
Element.prototype.scrollIntoView = () => undefined;
