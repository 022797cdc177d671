import { act, fireEvent, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it, vi } from "vitest";
import { Choice } from "../src/components/Choice";
import { Opener } from "../src/components/Opener";
import { fetchPanels } from "../src/components/panels";
import { draw } from "./drawing";

const ITEMS = [
  { value: "values", words: "values" },
  { value: "contrast", words: "contrast" },
];
const button = () => screen.getByRole("button");

it("a panel is drawn from the first time that it is opened, under the same button", () => {
  const panel = vi.fn(({ open }: { open: boolean }) => <p>{open ? "open" : "closed"}</p>);
  draw(
    <Opener opens="dialog" panel={panel}>
      History
    </Opener>,
  );
  const before = button();
  expect(panel).not.toHaveBeenCalled();
  expect(before.getAttribute("aria-expanded")).toBe("false");
  fireEvent.click(before);
  expect(screen.getByText("open")).toBeTruthy();
  expect(button()).toBe(before);
  expect(before.getAttribute("aria-expanded")).toBe("true");
  fireEvent.click(before);
  expect(screen.getByText("closed")).toBeTruthy();
});

it("arrows open a menu, and no other panel", () => {
  const { redraw } = draw(<Opener opens="menu" panel={({ open }) => open && <p>items</p>} />);
  fireEvent.keyDown(button(), { key: "ArrowDown" });
  expect(screen.getByText("items")).toBeTruthy();
  redraw(<Opener key="other" opens="dialog" panel={({ open }) => open && <p>panel</p>} />);
  fireEvent.keyDown(button(), { key: "ArrowDown" });
  expect(screen.queryByText("panel")).toBeNull();
});

it("a choice tells what is chosen, marks it in its menu, and gives the focus back once another is", async () => {
  const user = userEvent.setup();
  const choose = vi.fn();
  await act(async () => void (await fetchPanels()));
  draw(<Choice label="Print" value="values" items={ITEMS} onChoose={choose} />);
  expect(button().textContent).toBe("Print values");
  await user.click(button());
  const items = await screen.findAllByRole("menuitemradio");
  expect(items.map((item) => item.getAttribute("aria-checked"))).toEqual(["true", "false"]);
  await user.click(items[1] as HTMLElement);
  expect(choose.mock.calls).toEqual([["contrast"]]);
  await waitFor(() => expect(screen.queryAllByRole("menuitemradio")).toHaveLength(0));
  await waitFor(() => expect(document.activeElement).toBe(button()));
});
