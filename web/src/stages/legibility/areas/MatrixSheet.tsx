/** The cells of the matrix that are in view, each a sample of its pair with the figure; walked by arrows. */
import { useVirtualizer } from "@tanstack/react-virtual";
import { Fragment, type KeyboardEvent, memo, useEffect, useId, useMemo, useRef, useState } from "react";
import type { MatrixView } from "../../../api/client";
import { hatch } from "../../../components/hatch";
import { look } from "../../../workspace/look";
import { CELL, CORNER, GRADES, type GradeName, measuresOf, pieces, ratioText } from "./matrix";
import styles from "./matrix.module.css";

interface Props {
  matrix: MatrixView;
  grade: GradeName;
  declaredOnly: boolean;
  /** What the line bounds, in hundredths. */
  least: number;
}

const MOVES: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
type Declared = MatrixView["declared"][number];

export function MatrixSheet({ matrix, grade, declaredOnly, least }: Props) {
  const room = useRef<HTMLDivElement>(null);
  const [at, setAt] = useState<[number, number]>([0, 0]);
  const declared = useMemo(
    () => new Map(matrix.declared.map((each) => [each.row * matrix.columns.length + each.column, each])),
    [matrix],
  );
  const { rows, columns } = matrix;
  const { column: width, head, side } = useMemo(() => measuresOf(matrix), [matrix]);
  const id = useId();
  const x = Math.min(at[0], columns.length - 1);
  const y = Math.min(at[1], rows.length - 1);
  /** Of one axis what is in view, and one beyond, so that scrolling never shows a gap. */
  const inView = { getScrollElement: () => room.current, overscan: 1 };
  const down = useVirtualizer({
    ...inView,
    count: rows.length,
    estimateSize: () => CELL.height,
    paddingStart: head,
    scrollPaddingStart: head,
  });
  const across = useVirtualizer({
    ...inView,
    horizontal: true,
    count: columns.length,
    estimateSize: () => width,
    paddingStart: side,
    scrollPaddingStart: side,
  });
  useEffect(() => {
    // The cell that the arrows stand on stays in view.
    if (document.activeElement !== room.current) return;
    down.scrollToIndex(y);
    across.scrollToIndex(x);
  }, [x, y, down, across]);
  const choose = (column: number, row: number) => {
    setAt([column, row]);
    look({ select: rows[row]?.key ?? null, ground: columns[column]?.key ?? "white" });
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const move = MOVES[event.key];
    if (move) {
      event.preventDefault();
      event.stopPropagation();
      const clamp = (value: number, count: number) => Math.min(Math.max(value, 0), count - 1);
      setAt([clamp(x + move[0], columns.length), clamp(y + move[1], rows.length)]);
    } else if (event.key === "Enter") {
      event.preventDefault();
      choose(x, y);
    }
  };
  const shownRows = down.getVirtualItems();
  const shownColumns = across.getVirtualItems();
  const span = GRADES.find((each) => each.value === grade) ?? GRADES[0];
  const read = (column: number, row: number) => matrix.ratios[row]?.[column] ?? 100;
  const passes = (column: number, row: number) => read(column, row) >= least;
  const cells = shownRows.map(({ index: row, start }) => (
    // A row is read, not reached: the arrow keys walk the cells.
    // biome-ignore lint/a11y/useFocusableInteractive: see above
    <div
      key={rows[row]?.key}
      role="row"
      aria-rowindex={row + 2}
      className={styles.row}
      style={{ top: start - head }}
    >
      {shownColumns.map(({ index: column }) => {
        const figure = read(column, row);
        const own = declared.get(row * columns.length + column);
        const hidden = (declaredOnly && !own) || figure < span.least || figure >= span.below;
        return (
          <Cell
            key={columns[column]?.key}
            id={`${id} ${row} ${column}`.replaceAll(" ", "-")}
            label={`${rows[row]?.name} on ${columns[column]?.name}: ${ratioText(figure)}${told(own)}`}
            row={row}
            column={column}
            width={width}
            ink={rows[row]?.seen ?? ""}
            ground={columns[column]?.seen ?? ""}
            plain={columns[column]?.ink ?? "#000000"}
            figure={hidden ? "" : ratioText(figure)}
            faint={figure < least && !own}
            declared={own}
            left={column > 0 && passes(column - 1, row) !== passes(column, row)}
            top={row > 0 && passes(column, row - 1) !== passes(column, row)}
            at={row === y && column === x}
          />
        );
      })}
    </div>
  ));
  const here = declared.get(y * columns.length + x);
  const words = `${rows[y]?.name} on ${columns[x]?.name}: ${ratioText(read(x, y))}${told(here)}`;
  return (
    <div
      ref={room}
      role="grid"
      aria-rowcount={rows.length + 1}
      aria-colcount={columns.length}
      aria-activedescendant={`${id} ${y} ${x}`.replaceAll(" ", "-")}
      aria-label={`Matrix, ${rows.length} by ${columns.length}. ${words}`}
      className={styles.room}
      tabIndex={0}
      data-testid="matrix"
      data-sample
      onKeyDown={onKeyDown}
      onClick={(event) => {
        const cell = (event.target as HTMLElement).closest<HTMLElement>("[data-cell]");
        if (cell) choose(Number(cell.dataset.column), Number(cell.dataset.row));
      }}
    >
      <div
        style={{
          width: across.getTotalSize(),
          height: down.getTotalSize(),
          position: "relative",
        }}
      >
        <div className={styles.corner} style={{ width: side, height: head }}>
          <strong aria-live="polite">{words}</strong>
        </div>
        {/* biome-ignore lint/a11y/useFocusableInteractive: a row is read, not reached */}
        <div role="row" aria-rowindex={1} className={styles.heads} style={{ height: head, marginTop: -head }}>
          {shownColumns.map(({ index, start }) => (
            // biome-ignore lint/a11y/useFocusableInteractive: a heading is read, not reached
            <div
              key={columns[index]?.key}
              role="columnheader"
              aria-colindex={index + 1}
              className={styles.head}
              style={{ left: start, width, height: head }}
              title={`${columns[index]?.name} ${columns[index]?.hex}`}
            >
              <span>
                <Broken name={columns[index]?.name ?? ""} />
              </span>
            </div>
          ))}
        </div>
        <div className={styles.sides} style={{ width: side, height: 0 }} aria-hidden>
          {shownRows.map(({ index, start }) => (
            <div
              key={rows[index]?.key}
              className={styles.side}
              style={{ top: start - head, height: CELL.height, width: side }}
            >
              <i style={{ background: rows[index]?.seen }} />
              <span title={rows[index]?.name}>{rows[index]?.name}</span>
              <code>{rows[index]?.hex}</code>
            </div>
          ))}
        </div>
        <div style={{ position: "absolute", left: side, top: head }}>{cells}</div>
      </div>
    </div>
  );
}

/** Names are broken where their parts meet, and nowhere else while there is room. */
const Broken = ({ name }: { name: string }) =>
  pieces(name).map((piece, place) => (
    // A piece has no identity but its place.
    // biome-ignore lint/suspicious/noArrayIndexKey: see above
    <Fragment key={place}>
      {place > 0 && <wbr />}
      {piece}
    </Fragment>
  ));

const told = (own: Declared | undefined) => {
  if (!own) return "";
  if (own.needed === null) return ", declared, exempt";
  return own.holds === false ? `, declared, needs ${own.needed}` : ", declared, holds";
};

interface CellProps {
  id: string;
  label: string;
  width: number;
  row: number;
  column: number;
  ink: string;
  ground: string;
  plain: string;
  figure: string;
  faint: boolean;
  declared: Declared | undefined;
  left: boolean;
  top: boolean;
  at: boolean;
}

const Cell = memo(function Cell(props: CellProps) {
  const { row, column, ink, ground, plain, figure, faint, declared, left, top, at } = props;
  const short = declared?.holds === false && figure !== "";
  return (
    // biome-ignore lint/a11y/useFocusableInteractive: the grid holds the focus, and tells which cell is meant
    <div
      role="gridcell"
      id={props.id}
      aria-label={props.label}
      aria-colindex={column + 1}
      aria-selected={at}
      data-cell
      data-row={row}
      data-column={column}
      className={`${styles.cell} ${left ? styles.left : ""} ${top ? styles.top : ""} ${at ? styles.at : ""}`}
      style={{
        left: column * props.width,
        width: props.width,
        height: CELL.height,
        background: short ? `${hatch(ink)}, ${ground}` : ground,
        color: plain,
        fontWeight: declared ? 700 : 400,
      }}
    >
      <span
        className={faint ? styles.faint : short ? styles.short : ""}
        style={short ? { background: ground } : {}}
      >
        {figure}
      </span>
      <i className={styles.foreground} style={{ background: ink, width: CORNER, height: CORNER }} />
    </div>
  );
});
