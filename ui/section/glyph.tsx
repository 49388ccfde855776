import type { Element, Gearset } from '@/core/unit';
import type { Placed } from './axes';
import type { Axis, Section } from './section';

/** How an element stands in the gear shown. */
export type ElementState = 'carries' | 'applied' | 'open';

interface Box {
  left: number;
  right: number;
  middle: number;
  /** Screen y of a share of the zone's height. */
  y: (share: number) => number;
  height: number;
}

function boxOf(placed: Placed, axis: Axis): Box {
  return {
    left: placed.x + 5,
    right: placed.x + placed.width - 5,
    middle: placed.x + placed.width / 2,
    y: (share) => axis.y - axis.base - axis.height * share,
    height: axis.height,
  };
}

const line = { stroke: 'currentColor', fill: 'none' } as const;
const fillOf = (state: ElementState) =>
  state === 'carries' ? 'var(--accent)' : state === 'applied' ? 'url(#section-held)' : 'var(--lining)';

/** The loose parts of an element: plates and piston, band, rollers, teeth. Drums, hubs and races belong to the members. */
export function ElementGlyph(props: { element: Element; placed: Placed; axis: Axis; state: ElementState }) {
  const box = boxOf(props.placed, props.axis);
  const { element, state } = props;
  switch (element.kind) {
    case 'band':
      return <Band box={box} state={state} />;
    case 'one-way':
      return <Rollers box={box} state={state} />;
    case 'dog':
      return <Teeth box={box} state={state} />;
    default:
      return <Plates box={box} state={state} element={element} />;
  }
}

function Plates({ box, state, element }: { box: Box; state: ElementState; element: Element }) {
  const order = element.pack?.order ?? ['steel', 'friction', 'steel', 'friction', 'backing'];
  const [from, to] = [box.left + 14, box.right - 8];
  const step = (to - from) / order.length;
  return (
    <g>
      <rect
        x={box.left + 6}
        y={box.y(0.82)}
        width={5}
        height={box.height * 0.56}
        fill="var(--sheet)"
        stroke="currentColor"
        strokeWidth={1}
      />
      {order.map((plate, k) => {
        const friction = plate === 'friction';
        const thick = plate === 'backing' ? step * 0.9 : plate === 'wave' ? step * 0.3 : step * 0.62;
        return (
          <rect
            key={k}
            x={from + k * step + (step - thick) / 2}
            y={box.y(friction ? 0.8 : 0.92)}
            width={thick}
            height={box.height * (friction ? 0.62 : 0.6)}
            fill={friction ? fillOf(state) : plate === 'wave' ? 'none' : 'var(--steel)'}
            stroke={plate === 'wave' || plate === 'backing' ? 'currentColor' : 'none'}
            strokeWidth={0.9}
          />
        );
      })}
    </g>
  );
}

function Band({ box, state }: { box: Box; state: ElementState }) {
  return (
    <g>
      <rect
        x={box.left + 2}
        y={box.y(0.76)}
        width={box.right - box.left - 4}
        height={box.height * 0.1}
        fill={fillOf(state)}
        stroke="currentColor"
        strokeWidth={1}
      />
      <path
        d={`M${box.middle - 9} ${box.y(0.78)}V${box.y(0.88)}H${box.middle + 9}V${box.y(0.78)}`}
        {...line}
        strokeWidth={1.4}
      />
    </g>
  );
}

function Rollers({ box, state }: { box: Box; state: ElementState }) {
  const from = box.left + 8;
  const step = (box.right - 8 - from) / 3;
  const radius = Math.min(step * 0.42, box.height * 0.12);
  return (
    <g>
      {[0, 1, 2].map((k) => (
        <g key={k}>
          <circle
            cx={from + step * (k + 0.5)}
            cy={box.y(0.46)}
            r={radius}
            fill={state === 'carries' ? 'var(--accent)' : 'var(--sheet)'}
            stroke="currentColor"
            strokeWidth={1.3}
          />
          <path
            d={`M${from + step * k + 1} ${box.y(0.6)}l${step * 0.7} ${box.height * 0.07}v-${box.height * 0.07}z`}
            fill="currentColor"
          />
        </g>
      ))}
    </g>
  );
}

function Teeth({ box, state }: { box: Box; state: ElementState }) {
  const rows = [0.2, 0.3, 0.4, 0.5];
  const shut = state !== 'open';
  return (
    <g>
      {rows.map((share) => (
        <rect
          key={share}
          x={box.middle - (shut ? 5 : 2)}
          y={box.y(share + 0.06)}
          width={shut ? 10 : 4}
          height={box.height * 0.06}
          fill={state === 'carries' ? 'var(--accent)' : 'currentColor'}
        />
      ))}
    </g>
  );
}

/** Pinions of a planetary on their pin, with the line of each mesh. */
export function PinionGlyph({
  set,
  placed,
  axis,
  active,
}: {
  set: Extract<Gearset, { kind: 'planetary' }>;
  placed: Placed;
  axis: Axis;
  active: boolean;
}) {
  const box = boxOf(placed, axis);
  const [from, to] = [box.left + 12, box.right - 12];
  const rows: [number, number][] =
    set.planets === 'single'
      ? [[0.25, 0.73]]
      : [
          [0.25, 0.475],
          [0.505, 0.73],
        ];
  const teeth = (share: number) => (
    <line
      key={share}
      x1={from}
      x2={to}
      y1={box.y(share)}
      y2={box.y(share)}
      stroke="currentColor"
      strokeWidth={2.4}
      strokeDasharray="2 2"
    />
  );
  return (
    <g>
      {rows.map(([low, high]) => (
        <rect
          key={low}
          x={from}
          y={box.y(high)}
          width={to - from}
          height={box.height * (high - low)}
          fill={active ? 'var(--accent-wash)' : 'var(--sheet)'}
          stroke="currentColor"
          strokeWidth={1.3}
        />
      ))}
      {teeth(0.235)}
      {teeth(0.745)}
      {set.planets === 'double' && teeth(0.49)}
    </g>
  );
}

/** The teeth between two gears on parallel shafts, and an idler where there is one. */
export function MeshGlyph({
  set,
  placed,
  section,
  axes,
}: {
  set: Extract<Gearset, { kind: 'mesh' }>;
  placed: Placed;
  section: Section;
  axes: [number, number];
}) {
  const [first, second] = axes.map((k) => section.axes[k]!);
  const down = second!.y > first!.y ? 1 : -1;
  const a = first!.y + down * section.gearRadius.get(`${placed.device.id} first`)!;
  const b = second!.y - down * section.gearRadius.get(`${placed.device.id} second`)!;
  const [from, to] = [placed.x + 9, placed.x + placed.width - 9];
  const teeth = (y: number) => (
    <line x1={from} x2={to} y1={y} y2={y} stroke="currentColor" strokeWidth={3} strokeDasharray="2 2" />
  );
  const count = (gear: { teeth: number }, y: number) => (
    <text
      x={placed.x + placed.width / 2}
      y={y}
      fontSize={11}
      textAnchor="middle"
      paintOrder="stroke"
      stroke="var(--sheet)"
      strokeWidth={3}
      fill="currentColor"
    >
      {gear.teeth}
    </text>
  );
  const counts = (
    <>
      {count(set.first, a - (down > 0 ? 6 : -14))}
      {count(set.second, b + (down > 0 ? 14 : -6))}
    </>
  );
  if (set.mesh !== 'idler')
    return (
      <g>
        {teeth((a + b) / 2)}
        {counts}
      </g>
    );
  return (
    <g>
      <rect
        x={from}
        y={Math.min(a, b)}
        width={to - from}
        height={Math.abs(b - a)}
        fill="var(--sheet)"
        stroke="currentColor"
        strokeWidth={1.3}
      />
      <circle cx={placed.x + placed.width / 2} cy={(a + b) / 2} r={3} fill="currentColor" />
      {teeth(a)}
      {teeth(b)}
      {counts}
    </g>
  );
}
