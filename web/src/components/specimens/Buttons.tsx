/** Buttons of a family, to be used, and each of their states standing still beside it. */
import styles from "./specimen.module.css";

const WORDS: Record<string, string> = { main: "Book", second: "Other times", quiet: "Details" };
const STATES = ["", "hovered", "pressed", "focused", "disabled"] as const;

export function Buttons({ families }: { families: readonly string[] }) {
  return families.map((family) => (
    <div key={family} className={styles.states}>
      {STATES.map((state) => (
        <Button key={state} family={family} state={state} />
      ))}
    </div>
  ));
}

export function Button({
  family,
  state = "",
  children,
}: {
  family: string;
  state?: (typeof STATES)[number];
  children?: string;
}) {
  const at = `action.${family}`;
  const suffix = state === "" || state === "focused" ? "" : `-${state}`;
  const colors = [
    `${at}.fill${suffix}`,
    `${at}.label${state === "disabled" ? suffix : ""}`,
    `${at}.border${suffix}`,
    ...(state === "focused" ? ["focus.ring"] : []),
  ];
  return (
    <button
      type="button"
      className={`${styles.button} ${styles[family] ?? ""} ${state ? styles[state] : ""}`}
      aria-disabled={state === "disabled"}
      data-place="button"
      data-acts={state === "disabled" ? undefined : true}
      data-colors={colors.join(" ")}
    >
      {children ?? (state === "" ? (WORDS[family] ?? family) : state)}
    </button>
  );
}
