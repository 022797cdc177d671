/** Figures along a palette as a row of bars from one foot, with their mean as a line. */
const HIGH = 26;

export function Steps({ steps, most }: { steps: readonly number[]; most: number }) {
  const scale = HIGH / Math.max(most, 1e-9);
  const mean = steps.reduce((sum, step) => sum + step, 0) / Math.max(steps.length, 1);
  const wide = 100 / Math.max(steps.length, 1);
  return (
    <svg viewBox={`0 0 100 ${HIGH}`} width="100%" height={HIGH} preserveAspectRatio="none" aria-hidden="true">
      {steps.map((step, place) => (
        <rect
          // biome-ignore lint/suspicious/noArrayIndexKey: a step is known by its place alone
          key={place}
          x={place * wide}
          width={Math.max(wide - 0.2, 0.1)}
          y={HIGH - step * scale}
          height={step * scale}
          fill="currentColor"
          opacity={0.45}
        />
      ))}
      <line
        x1={0}
        x2={100}
        y1={HIGH - mean * scale}
        y2={HIGH - mean * scale}
        stroke="currentColor"
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}
