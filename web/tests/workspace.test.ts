import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { Parts } from "../src/api/client";
import { edit } from "../src/api/edits";
import { Workspace } from "../src/workspace/Workspace";
import { HeldServer, known, LOOK, names, opened, settled } from "./server";

const rename = (name: string) => edit("rename_hue", { hue: "tidewater", name });

describe("what is asked for", () => {
  it("is wanted, not fresh, and always with the head", async () => {
    const { server, workspace } = await opened();
    expect(server.asked[0]?.parts).toEqual(["head", "hues"]);
    workspace.lookAt({ ...LOOK, parts: ["hues", "tokens"] });
    expect(server.last("open").parts).toEqual(["head", "tokens"]);
    await server.last("open").answer({ ...known(1), tokens: [] });
    workspace.lookAt({ ...LOOK, parts: ["hues", "tokens"] });
    expect(server.asked).toHaveLength(2);
  });

  it("is asked for again by what it depends on alone", async () => {
    const { server, workspace } = await opened();
    workspace.lookAt({ ...LOOK, select: "hue:tidewater" });
    workspace.lookAt({ ...LOOK, ground: "black" });
    expect(server.asked).toHaveLength(1);
    workspace.lookAt({ ...LOOK, vision: "deutan" });
    expect(server.last("open").view.vision).toBe("deutan");
  });

  it("is one request at a time, and then what is wanted by then", async () => {
    const server = new HeldServer();
    const workspace = new Workspace("brinemark", server);
    workspace.lookAt(LOOK);
    workspace.lookAt({ ...LOOK, vision: "protan" });
    workspace.lookAt({ ...LOOK, vision: "tritan" });
    expect(server.asked).toHaveLength(1);
    await server.last("open").answer(known(1, "tidewater"));
    expect(server.asked).toHaveLength(2);
    expect(server.last("open").view.vision).toBe("tritan");
  });

  it("is asked for anew after a refresh, also where an older question is still on its way", async () => {
    const { server, workspace } = await opened();
    workspace.lookAt({ ...LOOK, vision: "protan" });
    const before = server.last("open");
    workspace.refresh();
    await before.answer(known(1, "before"));
    expect(server.asked).toHaveLength(3);
    await server.last("open").answer(known(1, "after"));
    expect(names(workspace)).toEqual(["after"]);
    expect(server.asked).toHaveLength(3);
  });

  it("stays the same object where it is as it was", async () => {
    const { server, workspace } = await opened();
    const before = workspace.store.getState().parts?.hues;
    workspace.refresh();
    await server.last("open").answer(known(1, "tidewater"));
    expect(workspace.store.getState().parts?.hues).toBe(before);
  });
});

describe("what others remove", () => {
  it("is told on every stage, also where no hues are shown, with the way back", async () => {
    const { server, workspace } = await opened({ ...LOOK, parts: ["tokens"] });
    server.removed = [{ revision: 2, person: "Ines Vahl", hues: "kelp" }];
    workspace.refresh();
    await server.last("open").answer({ head: known(2, "buoy").head, tokens: [] } as Partial<Parts>);
    await settled();
    expect(workspace.store.getState().notice?.words).toBe("Ines Vahl has removed kelp.");
    workspace.store.getState().notice?.actions[0]?.act();
    await settled();
    expect(server.last("keep").view.parts).toEqual(["head", "tokens"]);
  });
});

describe("a gesture", () => {
  it("has one preview on its way, and then the newest alone", async () => {
    const { server, workspace } = await opened();
    for (const name of ["a", "b", "c"]) workspace.preview([rename(name)]);
    expect(server.asked.filter((each) => each.what === "preview")).toHaveLength(1);
    await server.last("preview").answer(known(1, "a"));
    expect(names(workspace)).toEqual(["a"]);
    expect(server.last("preview").edits).toEqual([rename("c")]);
    await server.last("preview").answer(known(1, "c"));
    expect(server.asked.filter((each) => each.what === "preview")).toHaveLength(2);
  });

  it("that is given up goes back at once, and a preview still on its way changes nothing", async () => {
    const { server, workspace } = await opened();
    workspace.preview([rename("a")]);
    await server.last("preview").answer(known(1, "a"));
    workspace.preview([rename("b")]);
    workspace.endPreview();
    expect(names(workspace)).toEqual(["tidewater"]);
    await server.last("preview").answer(known(1, "b"));
    expect(names(workspace)).toEqual(["tidewater"]);
  });

  it("that is kept shows its preview until the answer, and a new one is not undone by that answer", async () => {
    const { server, workspace } = await opened();
    workspace.preview([rename("a")]);
    await server.last("preview").answer(known(1, "a"));
    const kept = workspace.keep([rename("a")]);
    await settled();
    expect(names(workspace)).toEqual(["a"]);
    const keeping = server.last("keep");
    workspace.preview([rename("b")]);
    await server.last("preview").answer(known(1, "b"));
    await keeping.answer(known(2, "a"));
    await kept;
    expect(names(workspace)).toEqual(["b"]);
    workspace.endPreview();
    expect(names(workspace)).toEqual(["a"]);
  });
});

describe("keeping", () => {
  it("goes one after another, each on what was seen when it was done", async () => {
    const { server, workspace } = await opened();
    const first = workspace.keep([rename("a")]);
    const second = workspace.keep([rename("b")]);
    await settled();
    expect(server.asked.filter((each) => each.what === "keep")).toHaveLength(1);
    await server.last("keep").answer(known(2, "a"));
    await first;
    await settled();
    // The answer to the first may bring what somebody else did, which the second has not seen.
    expect(server.last("keep").base).toBe(1);
    await server.last("keep").answer(known(3, "b"));
    await second;
    expect(names(workspace)).toEqual(["b"]);
  });

  it("makes what starts from what is there when its turn comes, so that nothing on its way is undone", async () => {
    const { server, workspace } = await opened();
    const first = workspace.keep([rename("a")]);
    const second = workspace.putFrom(({ hues }) => [rename(`${hues?.[0]?.name} and more`)]);
    await settled();
    await server.last("keep").answer(known(2, "a"));
    await first;
    await settled();
    expect(server.last("keep").edits).toEqual([rename("a and more")]);
    await server.last("keep").answer(known(3, "a and more"));
    await second;
  });

  it("that is refused belongs to its field, and what comes after goes on", async () => {
    const { server, workspace } = await opened();
    const refused = workspace.keep([rename("")]);
    const next = workspace.keep([rename("a")]);
    await settled();
    await Promise.all([
      expect(refused).rejects.toThrow("A hue needs a name."),
      server.last("keep").refuse(422, { detail: "A hue needs a name." }),
    ]);
    expect(server.last("keep").edits).toEqual([rename("a")]);
    await server.last("keep").answer(known(2, "a"));
    await next;
    expect(workspace.store.getState().notice).toBeNull();
  });

  it("without a field tells over the sheet", async () => {
    const { server, workspace } = await opened();
    const put = workspace.put(rename(""));
    await settled();
    await server.last("keep").refuse(422, { detail: "A hue needs a name." });
    await put;
    expect(workspace.store.getState().notice?.words).toBe("A hue needs a name.");
  });

  it("that met somebody else's change offers both, and mine on top goes onto the newest", async () => {
    const { server, workspace } = await opened();
    const kept = workspace.keep([rename("a")]);
    await settled();
    const conflict = { yours: "", theirs: "", person: "Tomke Rasch", at: "", head: 5 };
    await server.last("keep").refuse(409, { detail: "Tomke Rasch was faster.", conflict });
    expect(await kept).toBeNull();
    const notice = workspace.store.getState().notice;
    expect(notice?.actions.map((action) => action.words)).toEqual([
      "Keep Tomke Rasch’s",
      "Apply mine on top",
    ]);
    await server.last("open").answer(known(5, "theirs"));
    expect(names(workspace)).toEqual(["theirs"]);
    notice?.actions[1]?.act();
    expect(server.last("keep").base).toBe(5);
    await server.last("keep").answer(known(6, "a"));
    expect(names(workspace)).toEqual(["a"]);
    expect(workspace.store.getState().notice).toBeNull();
  });

  it("goes on top also where the other has taken hers back meanwhile, and asks again where she did more", async () => {
    const { server, workspace } = await opened();
    const kept = workspace.keep([rename("a")]);
    await settled();
    const conflict = { yours: "", theirs: "Set buoy", person: "Tomke Rasch", at: "", head: 5 };
    await server.last("keep").refuse(409, { detail: "Tomke Rasch was faster.", conflict });
    await kept;
    workspace.store.getState().notice?.actions[1]?.act();
    await server.last("keep").refuse(409, { conflict: { ...conflict, theirs: "Undo: Set buoy", head: 6 } });
    expect(server.last("keep").base).toBe(6);
    await server
      .last("keep")
      .refuse(409, { detail: "Again.", conflict: { ...conflict, theirs: "x", head: 7 } });
    expect(workspace.store.getState().notice?.words).toBe("Again.");
    workspace.store.getState().notice?.actions[1]?.act();
    expect(server.last("keep").base).toBe(7);
    await server.last("keep").answer(known(8, "a"));
    expect(names(workspace)).toEqual(["a"]);
  });

  it("of what is made behind a slow change is kept through a reload, made of what will be there", async () => {
    const { server, workspace } = await opened();
    void workspace.keep([rename("a")]);
    void workspace.putFrom(({ hues }) => [rename(`${hues?.[0]?.name} and more`)]);
    await vi.waitFor(() => server.last("preview"));
    for (const each of server.asked.filter(({ what }) => what === "preview"))
      await each.answer(known(1, "a"));
    const after = new HeldServer();
    const reloaded = new Workspace("brinemark", after);
    reloaded.lookAt(LOOK);
    await settled();
    expect(after.last("keep").edits).toEqual([rename("a")]);
    await after.last("keep").answer(known(2, "a"));
    await settled();
    expect(after.last("keep").edits).toEqual([rename("a and more")]);
  });
});

describe("taking back", () => {
  it("what cannot be is said, and passed over by choice", async () => {
    const { server, workspace } = await opened();
    const undone = workspace.takeBack("undo");
    await settled();
    const conflict = { yours: "", theirs: "", person: "Tomke Rasch", at: "", head: 5 };
    await server.last("undo").refuse(409, { detail: "Tomke Rasch has changed the same since.", conflict });
    await undone;
    const { notice } = workspace.store.getState();
    expect(notice?.words).toBe("Tomke Rasch has changed the same since.");
    expect(notice?.actions[0]?.words).toBe("Leave it, and undo what was before");
    notice?.actions[0]?.act();
    await settled();
    expect(server.last("undo").pass).toBe(true);
    await server.last("undo").answer(known(6, "tidewater"));
    expect(server.last("undo").pass).toBe(false);
    await server.last("undo").answer(known(7, "buoy"));
    expect(names(workspace)).toEqual(["buoy"]);
  });
});

describe("on a bad day", () => {
  beforeEach(() => {
    vi.useFakeTimers();
  });
  afterEach(() => {
    vi.useRealTimers();
  });
  const pass = () => vi.advanceTimersByTimeAsync(1600);

  it("a change waits for the server with the same key, and the page says that it is away", async () => {
    const server = new HeldServer();
    const workspace = new Workspace("brinemark", server);
    workspace.lookAt(LOOK);
    void server.last("open").answer(known(1, "tidewater"));
    await vi.advanceTimersByTimeAsync(1);
    void workspace.keep([rename("a")]);
    await vi.advanceTimersByTimeAsync(1);
    const first = server.last("keep");
    void first.refuse(503);
    await vi.advanceTimersByTimeAsync(1);
    expect(workspace.store.getState().away).toBe(true);
    await pass();
    const again = server.last("keep");
    expect(again).not.toBe(first);
    expect(again.key).toBe(first.key);
    void again.answer(known(2, "a"));
    await vi.advanceTimersByTimeAsync(1);
    expect(workspace.store.getState().away).toBe(false);
    expect(names(workspace)).toEqual(["a"]);
  });

  it("what others have done is noticed", async () => {
    const server = new HeldServer();
    const workspace = new Workspace("brinemark", server);
    workspace.lookAt(LOOK);
    void server.last("open").answer(known(1, "tidewater"));
    await vi.advanceTimersByTimeAsync(1);
    workspace.start();
    server.revision = 2;
    await vi.advanceTimersByTimeAsync(4100);
    void server.last("open").answer(known(2, "theirs"));
    await vi.advanceTimersByTimeAsync(1);
    expect(names(workspace)).toEqual(["theirs"]);
    workspace.stop();
    server.revision = 3;
    const count = server.asked.length;
    await vi.advanceTimersByTimeAsync(9000);
    expect(server.asked).toHaveLength(count);
  });
});
