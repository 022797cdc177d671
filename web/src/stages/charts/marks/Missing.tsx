/** Where there are no data: hatched in the color for it, so that nobody takes it for a value. */
export function Missing({ id }: { id: string }) {
  return (
    <defs>
      <pattern id={id} width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="2" height="5" style={{ fill: "var(--missing)" }} />
      </pattern>
    </defs>
  );
}
