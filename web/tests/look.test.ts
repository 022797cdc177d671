import { expect, it } from "vitest";
import { addressOf, type Look, lookOf } from "../src/workspace/look";

const usual = lookOf("/systems/brinemark/scales", "") as Look;

it("what is usual is left out of the address", () => {
  expect(addressOf(usual)).toEqual({ pathname: "/systems/brinemark/scales", search: "" });
});

it("every look comes back from its address", () => {
  const looks: Look[] = [
    usual,
    { ...usual, slug: "grün & grau", stage: "tokens" },
    { ...usual, vision: "tritan", severity: 0.35, ground: "token:page ground/1" },
    { ...usual, select: "step:tidewater/s500", area: "curves", show: "shingle", picture: 12 },
    { ...usual, severity: 0, ground: "black" },
  ];
  for (const look of looks) {
    const { pathname, search } = addressOf(look);
    expect(lookOf(pathname, search)).toEqual(look);
  }
});

it("an address that somebody has spoiled is read as far as it can be", () => {
  const { vision, severity, picture } = lookOf(
    "/systems/brinemark/scales",
    "?seen=xray&severity=9&picture=dog",
  ) as Look;
  expect([vision, severity, picture]).toEqual(["typical", 1, null]);
  expect(lookOf("/systems/brinemark/scales", "?severity=much")?.severity).toBe(1);
  expect(lookOf("/", "")).toBeNull();
  expect(lookOf("/systems/brinemark", "")).toBeNull();
});
