/** What stands on a ground, in figures: how many tokens, and how many of them read less than they need. */
import type { BandView } from "../../../api/client";

const given = (tokens: readonly (string | null)[]) => tokens.filter((token) => token !== null);

/** The tokens that stand in a band, its ground left out. */
function tokensIn(band: BandView): string[] {
  return [
    ...[...band.texts, ...band.shared, ...band.parts, ...band.fills].map((row) => row.token),
    ...band.families.flatMap(({ states }) => states.flatMap((at) => given([at.fill, at.label, at.border]))),
    ...band.messages.flatMap((each) => given([each.surface, each.text, each.mark, each.border])),
    ...band.strips.flatMap((strip) => strip.tokens),
  ];
}

export const holds = (band: BandView, token: string) =>
  band.ground === token || tokensIn(band).includes(token);

export function standing(band: BandView) {
  const rows = [
    ...[...band.texts, ...band.shared, ...band.parts, ...band.fills],
    ...band.families.flatMap(({ states }) => states),
    ...band.messages,
  ];
  return { count: new Set(tokensIn(band)).size, short: rows.filter((row) => row.holds === false).length };
}
