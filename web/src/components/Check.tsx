/** A box to tick, 24 pixels wide and high, in ink. */
import type { InputHTMLAttributes } from "react";
import styles from "./check.module.css";

export function Check(props: Omit<InputHTMLAttributes<HTMLInputElement>, "type" | "className">) {
  return <input type="checkbox" className={styles.check} {...props} />;
}
