import { act, fireEvent, screen } from "@testing-library/react";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { client, type DraftView } from "../src/api/client";
import { PublishForm } from "../src/stages/releases/PublishForm";
import { WorkspaceProvider } from "../src/workspace/hooks";
import { useLook } from "../src/workspace/look";
import { draw } from "./drawing";
import { HeldServer, settled } from "./server";

const DRAFT = {
  revision: 7,
  proposed: "1.3.0",
  why: "Minor: 2 tokens are new.",
  notes: "- text.late is new",
  told: [],
  stops: [],
  nothing: false,
  rules: {},
} as unknown as DraftView;

/** What was sent to be published, each answered by the test. */
interface Sent {
  body: { revision: number; version: string; notes: string };
  signal: AbortSignal;
  answer: (body: object, status?: number) => Promise<void>;
}
let sent: Sent[] = [];
let out: string[] = [];

beforeEach(() => {
  sent = [];
  out = [];
  vi.spyOn(client, "POST").mockImplementation(((_: string, given: Omit<Sent, "answer">) => {
    return new Promise((resolve, reject) => {
      given.signal.addEventListener("abort", () => reject(new DOMException("gone", "AbortError")));
      const answer = async (body: object, status = 201) => {
        const response = new Response(null, { status });
        resolve(status < 400 ? { data: body, response } : { error: body, response });
        await act(settled);
      };
      sent.push({ ...given, answer });
    });
  }) as unknown as typeof client.POST);
  vi.spyOn(client, "GET").mockImplementation((async () => ({
    data: out.map((version) => ({ version })),
    response: new Response(null, { status: 200 }),
  })) as unknown as typeof client.GET);
  useLook.setState({ slug: "brinemark" });
});
afterEach(() => vi.restoreAllMocks());

function drawn(draft: Partial<DraftView> = {}) {
  draw(
    <WorkspaceProvider wanted="brinemark" from={new HeldServer()}>
      <PublishForm draft={{ ...DRAFT, ...draft }} />
    </WorkspaceProvider>,
  );
}
const notes = () => screen.getByLabelText("Notes") as HTMLTextAreaElement;
const version = () => screen.getByLabelText("Version") as HTMLInputElement;
const publish = () => screen.getByRole("button", { name: /^Publish/ }) as HTMLButtonElement;
const said = () => document.querySelector("[data-published]")?.textContent;

it("what is shown is published once, however often it is pressed, and its notes are gone with it", async () => {
  drawn();
  fireEvent.click(screen.getByText("Draft the notes"));
  expect(notes().value).toBe("- text.late is new");
  fireEvent.change(notes(), { target: { value: "Late is red." } });
  fireEvent.submit(publish());
  fireEvent.submit(publish());
  expect(sent.map(({ body }) => body)).toEqual([{ revision: 7, version: "1.3.0", notes: "Late is red." }]);
  expect(publish().disabled).toBe(true);
  await sent[0]?.answer({ version: "1.3.0", new: true });
  expect(said()).toBe("1.3.0 is out.");
  expect(notes().value).toBe("");
  expect(publish().disabled).toBe(false);
});

it("a version that was typed stays, with what is proposed beside it, and a refusal leaves both fields", async () => {
  drawn();
  fireEvent.change(version(), { target: { value: "1.0.0" } });
  fireEvent.change(notes(), { target: { value: "Again." } });
  expect(screen.getByText(/1\.3\.0 is proposed\./)).toBeTruthy();
  fireEvent.submit(publish());
  const errors = [{ field: "version", message: "1.0.0 is out already." }];
  await sent[0]?.answer({ detail: "Not so.", errors }, 422);
  expect(said()).toBe("1.0.0 is out already.");
  expect([version().value, notes().value]).toEqual(["1.0.0", "Again."]);
  expect(version().getAttribute("aria-invalid")).toBe("true");
});

it("the same as somebody else has published is told, and the notes stay to be used", async () => {
  drawn();
  fireEvent.change(notes(), { target: { value: "Mine." } });
  fireEvent.submit(publish());
  await sent[0]?.answer({ version: "1.2.9", new: false });
  expect(said()).toBe("The same is out already as 1.2.9.");
  expect(notes().value).toBe("Mine.");
});

it.each([
  [[], "Writing was cancelled: nothing is out."],
  [["1.3.0"], "1.3.0 was written before it could be cancelled: it is out."],
])("cancelling asks what is out and tells it (%j)", async (there, words) => {
  drawn();
  out = there;
  fireEvent.submit(publish());
  fireEvent.click(screen.getByText("Cancel"));
  await act(settled);
  await act(settled);
  expect(sent[0]?.signal.aborted).toBe(true);
  expect(said()).toBe(words);
});

it("nothing is published while a rule stops it, and the rule is told", () => {
  drawn({ stops: ["11 findings are open."] });
  expect(publish().disabled).toBe(true);
  expect(screen.getByTestId("stops").textContent).toContain("11 findings are open.");
});
