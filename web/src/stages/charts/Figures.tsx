/** What a chart draws, as a table: always for who listens, and for the eye where it is asked for. */
import { VisuallyHidden } from "@chakra-ui/react";
import { memo } from "react";
import styles from "./figures.module.css";

interface Grid {
  title: string;
  rows: string[];
  columns: string[];
  values: (number | null)[][];
}

interface Props {
  grids: Grid[];
  shown: boolean;
}

export const Figures = memo(function Figures({ grids, shown }: Props) {
  const tables = grids.map((grid) => <Drawn key={grid.title} grid={grid} />);
  return shown ? (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls sideways
    <section className={styles.room} aria-label="Figures" tabIndex={0}>
      {tables}
    </section>
  ) : (
    <VisuallyHidden>{tables}</VisuallyHidden>
  );
});

const Drawn = ({ grid }: { grid: Grid }) => (
  <table className={styles.table} data-testid="figures">
    <caption>{grid.title}</caption>
    <thead>
      <tr>
        <td />
        {grid.columns.map((column) => (
          <th key={column} scope="col">
            {column}
          </th>
        ))}
      </tr>
    </thead>
    <tbody>
      {grid.rows.map((row, y) => (
        <tr key={row}>
          <th scope="row">{row}</th>
          {grid.columns.map((column, x) => (
            <td key={column}>{grid.values[y]?.[x] ?? "none"}</td>
          ))}
        </tr>
      ))}
    </tbody>
  </table>
);
