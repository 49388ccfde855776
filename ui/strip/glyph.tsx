import type { Element } from '@/core/unit';
import type { Device } from './layout';

/** Half-sections in a box 66 wide and 92 high, axis at the bottom. Lines take the current colour. */
export function Glyph({ device, active }: { device: Device; active: boolean }) {
  if (device.kind === 'converter') return <ConverterGlyph />;
  if (device.kind === 'pump') return <PumpGlyph />;
  if (device.kind === 'gearset')
    return device.gearset.kind === 'planetary' ? (
      <PlanetaryGlyph active={active} />
    ) : (
      <MeshGlyph active={active} />
    );
  const { element } = device;
  if (element.kind === 'band') return <BandGlyph active={active} />;
  if (element.kind === 'one-way') return <OneWayGlyph active={active} />;
  return <PackGlyph element={element} active={active} />;
}

const line = { stroke: 'currentColor', fill: 'none', strokeWidth: 1.6 } as const;
const live = (active: boolean) => (active ? 'var(--accent)' : 'var(--sheet)');

function PackGlyph({ element, active }: { element: Element; active: boolean }) {
  const count = Math.min(element.pack?.order.filter((p) => p === 'friction').length ?? 3, 6);
  const step = 36 / (count * 2);
  return (
    <g>
      <path d="M8 84V12H58V22" {...line} strokeWidth={2.4} />
      <rect x={11} y={24} width={6} height={46} fill={live(active)} stroke="currentColor" strokeWidth={1.4} />
      {Array.from({ length: count }, (_, k) => {
        const x = 20 + k * step * 2;
        return (
          <g key={k}>
            <line
              x1={x}
              x2={x}
              y1={14}
              y2={62}
              stroke="var(--steel)"
              strokeWidth={Math.max(step * 0.62, 1.6)}
            />
            <line
              x1={x + step}
              x2={x + step}
              y1={28}
              y2={78}
              stroke={active ? 'var(--accent)' : 'var(--lining)'}
              strokeWidth={Math.max(step * 0.72, 1.8)}
            />
          </g>
        );
      })}
      <path d="M20 80H60V92" {...line} strokeWidth={2.4} />
    </g>
  );
}

function BandGlyph({ active }: { active: boolean }) {
  return (
    <g>
      <path d="M10 92V40H56V92" {...line} strokeWidth={2.4} />
      <rect
        x={10}
        y={30}
        width={46}
        height={8}
        fill={active ? 'var(--accent)' : 'var(--lining)'}
        stroke="currentColor"
        strokeWidth={1.2}
      />
      <path d="M18 30V8M48 30V18M42 18H54M44 12H52" {...line} />
    </g>
  );
}

function OneWayGlyph({ active }: { active: boolean }) {
  return (
    <g>
      <path d="M10 34H56M10 72H56" {...line} strokeWidth={2.4} />
      {[0, 1, 2].map((k) => (
        <g key={k} transform={`translate(${14 + k * 14} 0)`}>
          <path d="M0 38 12 46V36" {...line} strokeWidth={1.2} />
          <circle cx={6} cy={60} r={7} fill={live(active)} stroke="currentColor" strokeWidth={1.6} />
        </g>
      ))}
      <path d="M33 34V12M33 72V92" {...line} strokeWidth={2} />
    </g>
  );
}

function PlanetaryGlyph({ active }: { active: boolean }) {
  const teeth = (y: number) =>
    Array.from({ length: 9 }, (_, k) => (
      <line
        key={k}
        x1={14 + k * 4.8}
        x2={14 + k * 4.8}
        y1={y}
        y2={y + 4}
        stroke="currentColor"
        strokeWidth={1.1}
      />
    ));
  return (
    <g>
      <rect x={12} y={8} width={42} height={12} fill="var(--steel)" stroke="currentColor" strokeWidth={1.6} />
      {teeth(20)}
      <rect
        x={12}
        y={28}
        width={42}
        height={28}
        fill={live(active)}
        stroke="currentColor"
        strokeWidth={1.6}
      />
      {teeth(24)}
      {teeth(56)}
      <path d="M2 42H64V78" {...line} strokeWidth={2.2} />
      <rect
        x={12}
        y={64}
        width={42}
        height={22}
        fill="var(--steel)"
        stroke="currentColor"
        strokeWidth={1.6}
      />
      {teeth(60)}
    </g>
  );
}

function MeshGlyph({ active }: { active: boolean }) {
  return (
    <g>
      <rect x={12} y={8} width={42} height={34} fill={live(active)} stroke="currentColor" strokeWidth={1.6} />
      <rect
        x={12}
        y={48}
        width={42}
        height={38}
        fill="var(--steel)"
        stroke="currentColor"
        strokeWidth={1.6}
      />
      {Array.from({ length: 9 }, (_, k) => (
        <line
          key={k}
          x1={14 + k * 4.8}
          x2={14 + k * 4.8}
          y1={42}
          y2={48}
          stroke="currentColor"
          strokeWidth={1.2}
        />
      ))}
    </g>
  );
}

function ConverterGlyph() {
  return (
    <g>
      <path
        d="M6 90C-2 60 2 14 30 10C54 8 62 30 60 52C58 70 46 78 40 90"
        fill="var(--steel)"
        fillOpacity={0.45}
        stroke="currentColor"
        strokeWidth={2.2}
      />
      <path d="M31 14V70M22 70C10 58 12 28 29 18M40 70C54 56 50 28 33 18" {...line} />
      <path d="M22 78H40" {...line} strokeWidth={2.4} />
    </g>
  );
}

function PumpGlyph() {
  return (
    <g>
      <path d="M12 4V86H26V4ZM44 14V86" {...line} strokeWidth={2} />
      <rect
        x={28}
        y={34}
        width={13}
        height={34}
        fill="var(--steel)"
        stroke="currentColor"
        strokeWidth={1.6}
      />
      <path d="M44 70H62M44 80H62" {...line} strokeWidth={1.8} />
    </g>
  );
}
