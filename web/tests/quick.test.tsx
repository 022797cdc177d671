import { act, fireEvent, screen } from "@testing-library/react";
import { type ReactNode, useLayoutEffect } from "react";
import { expect, it } from "vitest";
import type { PartName, Parts } from "../src/api/client";
import { ConditionsArea } from "../src/stages/legibility/areas/ConditionsArea";
import { BEGINNINGS } from "../src/stages/legibility/areas/conditions";
import { Candidates } from "../src/stages/sources/Candidates";
import { useKnown, useWorkspace, WorkspaceProvider } from "../src/workspace/hooks";
import { useLook } from "../src/workspace/look";
import { draw } from "./drawing";
import { HeldServer, known, LOOK, settled } from "./server";

/** Shows a part of the page once what it shows is known. */
function Looking({ names, children }: { names: PartName[]; children: ReactNode }) {
  const here = useWorkspace();
  const there = useKnown((now) => names.every((name) => now.parts?.[name] !== undefined));
  useLayoutEffect(() => here.lookAt({ ...LOOK, parts: names }), [here, names]);
  return there ? children : null;
}

/** A part of the page on a workspace that has its first answer. */
async function opened(server: HeldServer, parts: Partial<Parts>, part: ReactNode) {
  const names = Object.keys(parts) as PartName[];
  useLook.setState({ slug: "brinemark" });
  draw(
    <WorkspaceProvider wanted="brinemark" from={server}>
      <Looking names={names}>{part}</Looking>
    </WorkspaceProvider>,
  );
  await act(() => server.last("open").answer({ ...known(1, "buoy"), ...parts }));
}

const put = (label: RegExp, text: string) => {
  const field = screen.getByLabelText(label);
  fireEvent.focus(field);
  fireEvent.change(field, { target: { value: text } });
  fireEvent.keyDown(field, { key: "Enter" });
};
const kept = (server: HeldServer) => server.asked.filter((each) => each.what === "keep");

it("of two quantities put before any answer both stay, and the name that was put before them", async () => {
  const quantities = BEGINNINGS[0]?.quantities ?? {};
  const quay = { id: "quay", name: "quay", quantities, lost: [], total: 7 };
  const server = new HeldServer();
  await opened(server, { conditions: [quay], tokens: [] } as unknown as Partial<Parts>, <ConditionsArea />);
  const numbers = screen.getAllByLabelText(/: .*, /) as HTMLInputElement[];
  const [one, other] = [numbers[0]?.ariaLabel ?? "", numbers[1]?.ariaLabel ?? ""];
  const exactly = (label: string) => new RegExp(`^${label.replace(/[.*+?^${}()|[\]\\/]/g, "\\$&")}$`);
  const low = (label: string) =>
    Number((screen.getByLabelText(exactly(label)) as HTMLInputElement).value) + 1;
  const wanted = [low(one), low(other)];
  put(/^Name$/, "quay at noon");
  put(exactly(one), `${wanted[0]}`);
  put(exactly(other), `${wanted[1]}`);
  for (let turn = 0; turn < 3; turn += 1) {
    await act(settled);
    const asked = kept(server)[turn];
    const put = { ...asked?.edits[0] } as unknown as typeof quay;
    // The server answers with what the edit has made of it.
    await act(() =>
      asked?.answer({
        ...known(turn + 2, "buoy"),
        conditions: [{ ...quay, name: put.name, quantities: put.quantities }],
        tokens: [],
      } as unknown as Partial<Parts>),
    );
  }
  const last = { ...kept(server).at(-1)?.edits[0] } as unknown as typeof quay;
  const changed = Object.values(last.quantities).filter(
    (value, at) => value !== Object.values(quantities)[at],
  );
  expect(last.name).toBe("quay at noon");
  expect(changed).toEqual(wanted);
});

it("a candidate keeps the name that is on its way when its kind is chosen", async () => {
  const candidate = {
    id: "c",
    hex: "#C9A227",
    seen: "#C9A227",
    ink: "#000000",
    text: "#C9A227",
    name: "",
    kind: "accent",
    status: null,
    note: "",
    near: null,
  };
  const server = new HeldServer();
  await opened(server, { candidates: [candidate], hues: [] } as unknown as Partial<Parts>, <Candidates />);
  fireEvent.click(screen.getByText("unnamed"));
  put(/^Name of the candidate$/, "brass");
  fireEvent.click(screen.getByRole("button", { name: /^Kind/ }));
  fireEvent.click(await screen.findByRole("menuitemradio", { name: "brand" }));
  await act(settled);
  const [first] = kept(server);
  await act(() =>
    first?.answer({
      ...known(2, "buoy"),
      candidates: [{ ...candidate, name: "brass" }],
      hues: [],
    } as unknown as Partial<Parts>),
  );
  await act(settled);
  expect(kept(server).map((each) => each.edits[0])).toEqual([
    { type: "set_candidate", candidate: "c", name: "brass", kind: "accent", status: null },
    { type: "set_candidate", candidate: "c", name: "brass", kind: "brand", status: null },
  ]);
});
