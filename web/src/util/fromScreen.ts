/** A color taken from anywhere on the screen, where the browser offers that. */
interface Dropper {
  open: () => Promise<{ sRGBHex: string }>;
}
type Offering = typeof globalThis & { EyeDropper?: new () => Dropper };

export const canTakeFromScreen = () => (globalThis as Offering).EyeDropper !== undefined;

/** The color as `#rrggbb`; null where none was taken. */
export async function takeFromScreen(): Promise<string | null> {
  const { EyeDropper } = globalThis as Offering;
  if (!EyeDropper) return null;
  try {
    return (await new EyeDropper().open()).sRGBHex;
  } catch {
    return null;
  }
}
