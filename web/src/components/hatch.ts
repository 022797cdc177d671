/** Lines at 45 degrees in a color: a pair that fails. */
export const hatch = (color: string) =>
  `repeating-linear-gradient(45deg, ${color} 0 1px, transparent 1px 4px)`;
