/** Boxes that carry values. All of one color are one mark, so that a drag recolors a few however many values there are;
 * what a box stands for is told where the pointer is. */
import { type PointerEvent, useState } from "react";
import { fillOf } from "./frame";

export interface Box {
  /** The place of its color; null for what is muted. */
  place: number | null | undefined;
  x: number;
  y: number;
  width: number;
  height: number;
  words: string;
}

const outlineOf = ({ x, y, width, height }: Box) => {
  const [left, top, wide, high] = [x, y, width, height].map((each) => each.toFixed(2));
  return `M${left} ${top}h${wide}v${high}h-${wide}z`;
};

/** Boxes filled with their colors, or all with `fill`. */
export function Boxes({ boxes, className, fill }: { boxes: Box[]; className?: string; fill?: string }) {
  const [told, setTold] = useState("");
  const outlines = new Map<string, string>();
  for (const box of boxes) {
    const color = fill ? "" : fillOf(box.place);
    outlines.set(color, (outlines.get(color) ?? "") + outlineOf(box));
  }
  const tell = ({ currentTarget, clientX, clientY }: PointerEvent<SVGGElement>) => {
    const at = new DOMPoint(clientX, clientY).matrixTransform(currentTarget.getScreenCTM()?.inverse());
    const under = boxes.find(
      ({ x, y, width, height }) => at.x >= x && at.x <= x + width && at.y >= y && at.y <= y + height,
    );
    setTold(under?.words ?? "");
  };
  return (
    <g onPointerMove={tell}>
      <title>{told}</title>
      {[...outlines].map(([color, outline]) => (
        <path key={color} d={outline} fill={fill} className={className ? `${color} ${className}` : color} />
      ))}
    </g>
  );
}
