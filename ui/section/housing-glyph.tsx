import type { Placed } from './axes';
import type { Axis } from './section';

const line = { stroke: 'currentColor', fill: 'none' } as const;

/** Shell, impeller, turbine, stator and lock-up plate, cut through one half. */
export function ConverterGlyph({
  placed,
  axis,
  parallel,
}: {
  placed: Placed;
  axis: Axis;
  parallel: boolean;
}) {
  const { x, width } = placed;
  const top = axis.base + axis.height * (parallel ? 1.5 : 0.98);
  const y = (share: number) => axis.y - top * share;
  const c = x + width * 0.52;
  return (
    <g>
      <path
        d={`M${x + 4} ${axis.y - 8}V${y(0.6)}C${x + 4} ${y(0.9)} ${c - 34} ${y(1)} ${c} ${y(1)}C${c + 46} ${y(1)} ${c + 50} ${y(0.52)} ${c + 26} ${y(0.3)}V${y(0.2)}H${x + width + 6}V${y(0.14)}H${c + 18}V${y(0.3)}C${c + 40} ${y(0.54)} ${c + 38} ${y(0.93)} ${c} ${y(0.95)}C${c - 30} ${y(0.95)} ${x + 11} ${y(0.86)} ${x + 11} ${y(0.58)}V${axis.y - 8}Z`}
        fill="var(--steel)"
        stroke="currentColor"
        strokeWidth={1.3}
        strokeLinejoin="round"
      />
      <path
        d={`M${c + 2} ${y(0.92)}C${c + 36} ${y(0.9)} ${c + 38} ${y(0.5)} ${c + 4} ${y(0.44)}Z`}
        fill="var(--steel)"
        stroke="currentColor"
        strokeWidth={1.2}
      />
      <path
        d={`M${c - 4} ${y(0.92)}C${c - 36} ${y(0.9)} ${c - 38} ${y(0.5)} ${c - 6} ${y(0.44)}Z`}
        fill="var(--steel)"
        stroke="currentColor"
        strokeWidth={1.2}
      />
      <path
        d={`M${c - 8} ${y(0.42)}L${c + 8} ${y(0.42)}L${c + 4} ${y(0.3)}H${c - 5}Z`}
        fill="var(--sheet)"
        stroke="currentColor"
        strokeWidth={1.2}
      />
      <path d={`M${c - 44} ${y(0.9)}V${y(0.28)}`} {...line} strokeWidth={3} />
      <rect
        x={c - 52}
        y={y(0.86)}
        width={6}
        height={top * 0.22}
        fill="var(--lining)"
        stroke="currentColor"
        strokeWidth={0.8}
      />
      <path d={`M${c - 44} ${y(0.3)}H${c - 4}`} {...line} strokeWidth={2} />
    </g>
  );
}

/** Pump body between two covers, its gears in section, driven by the converter's hub. */
export function PumpGlyph({ placed, axis, parallel }: { placed: Placed; axis: Axis; parallel: boolean }) {
  const { x, width } = placed;
  const top = axis.base + axis.height * (parallel ? 1.3 : 1);
  const low = axis.base + 2;
  const y = (r: number) => axis.y - r;
  return (
    <g>
      <rect
        x={x + 6}
        y={y(top)}
        width={12}
        height={top - low}
        fill="url(#section-case)"
        stroke="currentColor"
        strokeWidth={1.3}
      />
      <rect
        x={x + width - 18}
        y={y(top)}
        width={12}
        height={top - low}
        fill="url(#section-case)"
        stroke="currentColor"
        strokeWidth={1.3}
      />
      <rect
        x={x + 19}
        y={y(low + (top - low) * 0.62)}
        width={width - 38}
        height={(top - low) * 0.26}
        fill="var(--steel)"
        stroke="currentColor"
        strokeWidth={1.2}
      />
      <rect
        x={x + 19}
        y={y(low + (top - low) * 0.32)}
        width={width - 38}
        height={(top - low) * 0.2}
        fill="var(--steel)"
        stroke="currentColor"
        strokeWidth={1.2}
      />
    </g>
  );
}
