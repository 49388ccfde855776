import { ElementGlyph, MeshGlyph, PinionGlyph } from './glyph';
import { ConverterGlyph, PumpGlyph } from './housing-glyph';
import type { Placed } from './axes';
import type { Device } from './device';
import type { Flow } from './flow';
import type { Section } from './section';
import type { DeviceMark } from './drawing';

interface Props {
  placed: Placed;
  section: Section;
  flow: Flow | null;
  mark: DeviceMark;
  fault: 'lost' | 'stuck' | 'slip' | 'break' | 'strip' | null;
  /** Without its label. */
  plain?: boolean;
  onSelect?: (device: Device) => void;
}

const FAULT_WORDS = { lost: 'lost', stuck: 'stuck on', slip: 'slipping', break: 'broken', strip: 'stripped' };

/** A device in its column: its loose parts, its label, its condition, and the place to touch. */
export function DeviceView({ placed, section, flow, mark, fault, plain, onSelect }: Props) {
  const { device, x, width } = placed;
  const [first, last] = [section.axes[placed.axes[0]!]!, section.axes[placed.axes.at(-1)!]!];
  const top = first.y - first.wall + 2;
  const bottom = section.parallel ? last.y + last.wall - 2 : first.y;
  const carries = isActive(device, flow);
  const said = [
    device.name,
    mark.out && 'out',
    mark.suspect && 'suspected',
    mark.condition && `found ${mark.condition}`,
    mark.scope,
    mark.spread && (mark.spread === 'seen' ? 'debris seen' : 'debris came by'),
    fault && FAULT_WORDS[fault],
    carries && 'carries',
  ]
    .filter(Boolean)
    .join(', ');
  const press = onSelect && {
    role: 'button',
    tabIndex: 0,
    'aria-label': said,
    onClick: () => onSelect(device),
    onKeyDown: (event: React.KeyboardEvent) => {
      if (event.key !== 'Enter' && event.key !== ' ') return;
      event.preventDefault();
      onSelect(device);
    },
  };
  return (
    <g {...press}>
      {mark.current && (
        <rect x={x} y={top} width={width} height={bottom - top} fill="var(--accent)" fillOpacity={0.13} />
      )}
      {mark.spread && (
        <rect
          x={x}
          y={top}
          width={width}
          height={bottom - top}
          fill={`url(#section-${mark.spread})`}
          opacity={0.75}
        />
      )}
      <rect x={x} {...reach(placed, section, top, bottom)} width={width} fill="transparent" />
      {mark.suspect && (
        <rect
          x={x + 1}
          y={top + 1}
          width={width - 2}
          height={bottom - top - 2}
          fill="none"
          stroke="var(--warn)"
          strokeWidth={2.4}
          strokeDasharray="3 4"
        />
      )}
      <g opacity={mark.out ? 0.45 : 1}>
        <Loose placed={placed} section={section} flow={flow} carries={carries} />
      </g>
      {fault && (
        <FaultMark
          fault={fault}
          x={x + width / 2}
          y={first.y - first.base - first.height * (section.parallel ? 0.6 : 0.52)}
        />
      )}
      <ConditionMark
        mark={mark}
        x={x + width - 11}
        y={first.y - first.base - first.height + (section.parallel ? -4 : 12)}
      />
      <ScopeMark
        scope={mark.scope}
        x={x + width / 2}
        y={first.y - first.base - first.height + (section.parallel ? -4 : 12)}
      />
      {!plain && <Label placed={placed} section={section} carries={carries} />}
    </g>
  );
}

/** What a finger may touch: the whole column where a device has it alone. */
function reach(placed: Placed, section: Section, top: number, bottom: number): { y: number; height: number } {
  const alone = section.placed.every((p) => p === placed || p.x !== placed.x);
  return section.parallel && alone
    ? { y: 14, height: section.height - 14 }
    : { y: top, height: bottom - top };
}

/** Labels stand in one row below, broken in two where the column is narrow. */
function Label({ placed, section, carries }: { placed: Placed; section: Section; carries: boolean }) {
  const { x, width } = placed;
  // Of two pairs that share a column the first stands for both.
  if (section.placed.find((p) => p.x === x) !== placed) return null;
  const size = section.parallel ? 12.5 : 14;
  const lines = linesOf(labelOf(placed.device), width / (size * 0.5));
  const y = section.parallel ? section.height - 7 : section.axes[0]!.y + 18;
  return (
    <text
      fontSize={size}
      fontWeight={650}
      textAnchor="middle"
      fill={carries ? 'var(--accent)' : 'currentColor'}
      paintOrder="stroke"
      stroke="var(--sheet)"
      strokeWidth={3}
    >
      {lines.map((text, k) => (
        <tspan key={k} x={x + width / 2} y={y + k * size}>
          {text}
        </tspan>
      ))}
    </text>
  );
}

/** At most two lines of about `room` characters; what does not fit ends in a full stop. */
function linesOf(label: string, room: number): string[] {
  if (label.length <= room) return [label];
  const words = label.split(' ');
  let first = words[0]!;
  let k = 1;
  while (k < words.length && `${first} ${words[k]}`.length <= room) first += ` ${words[k++]}`;
  const lines = [first, words.slice(k).join(' ')].filter(Boolean);
  return lines.map((text) =>
    text.length <= room + 1 ? text : `${text.slice(0, Math.max(2, Math.floor(room) - 1))}.`,
  );
}

function labelOf(device: Device): string {
  if (device.kind === 'element') return device.element.short;
  if (device.kind !== 'gearset') return device.name;
  if (device.gearset.kind === 'mesh') return device.name.replace(/ pair\b.*$/, '');
  const short = device.name
    .replace(/ planetary$/, ' set')
    .replace(/^Planetary /, '')
    .replace(/, /, ' ');
  return /^\d+$/.test(short) ? `Set ${short}` : short;
}

function isActive(device: Device, flow: Flow | null): boolean {
  if (!flow) return false;
  if (device.kind === 'element') return flow.elements.get(device.id) === 'carries';
  return device.kind === 'gearset' && flow.gearsets.has(device.id);
}

function Loose({
  placed,
  section,
  flow,
  carries,
}: {
  placed: Placed;
  section: Section;
  flow: Flow | null;
  carries: boolean;
}) {
  const { device } = placed;
  const axes = placed.axes.map((k) => section.axes[k]!);
  const axis = axes[0]!;
  const { parallel } = section;
  if (device.kind === 'converter') return <ConverterGlyph placed={placed} axis={axis} parallel={parallel} />;
  if (device.kind === 'pump') return <PumpGlyph placed={placed} axis={axis} parallel={parallel} />;
  const mirrored = (drawing: React.ReactNode) => (
    <>
      {drawing}
      {parallel && <g transform={`translate(0 ${axis.y * 2}) scale(1 -1)`}>{drawing}</g>}
    </>
  );
  if (device.kind === 'element')
    return mirrored(
      <ElementGlyph
        element={device.element}
        placed={placed}
        axis={axis}
        state={flow?.elements.get(device.id) ?? 'open'}
      />,
    );
  if (device.gearset.kind === 'planetary')
    return mirrored(<PinionGlyph set={device.gearset} placed={placed} axis={axis} active={carries} />);
  const bodies = [device.gearset.first.member, device.gearset.second.member].map(
    (m) => section.bodies.find((b) => b.member === m)!.axis,
  ) as [number, number];
  return <MeshGlyph set={device.gearset} placed={placed} section={section} axes={bodies} />;
}

/** Lost: an empty ring struck through. Stuck: a closed padlock. Slipping: a wave. Stripped: broken teeth. */
function FaultMark({ fault, x, y }: { fault: NonNullable<Props['fault']>; x: number; y: number }) {
  const stroke = { fill: 'none', stroke: 'var(--bad)', strokeWidth: 2.6 };
  const shapes = {
    lost: <path d="M-7.5 7.5 7.5 -7.5M-10 0A10 10 0 1 1 10 0A10 10 0 1 1 -10 0" {...stroke} />,
    stuck: (
      <g>
        <path d="M-5 0V-5A5 5 0 0 1 5 -5V0" {...stroke} />
        <rect x={-8.5} y={-1} width={17} height={11} fill="var(--bad)" />
      </g>
    ),
    slip: <path d="M-11 -4q3.5 -7 7.3 0t7.3 0 7.3 0M-11 5q3.5 -7 7.3 0t7.3 0 7.3 0" {...stroke} />,
    strip: <path d="M-11 4l4 -8 4 8M1 4l3 -5M7 4l4 -8" {...stroke} />,
    break: <path d="M-8 -9 2 -2 -3 2 8 9" {...stroke} />,
  };
  return (
    <g transform={`translate(${x} ${y})`}>
      <circle r={15} fill="var(--sheet)" stroke="var(--bad)" strokeWidth={1.4} />
      {shapes[fault]}
    </g>
  );
}

/** Sound: open ring with a tick. Worn: half-filled diamond. Failed: a filled square with a cross. */
function ConditionMark({ mark, x, y }: { mark: DeviceMark; x: number; y: number }) {
  if (!mark.condition) return null;
  const shapes = {
    sound: (
      <g>
        <circle r={9} fill="var(--sheet)" stroke="var(--good)" strokeWidth={2} />
        <path d="M-4 0 -1 4 5 -4" fill="none" stroke="var(--good)" strokeWidth={2.2} />
      </g>
    ),
    worn: <path d="M0 -11 11 0 0 11 -11 0Z" fill="var(--warn-wash)" stroke="var(--warn)" strokeWidth={2} />,
    failed: (
      <g>
        <rect x={-10} y={-10} width={20} height={20} fill="var(--bad)" />
        <path d="M-5 -5 5 5M5 -5 -5 5" stroke="var(--sheet)" strokeWidth={2.6} />
      </g>
    ),
  };
  return <g transform={`translate(${x} ${y})`}>{shapes[mark.condition]}</g>;
}

/** Renewed: a filled disc with a plus. Worked on and put back: an open square with a wave. */
function ScopeMark({ scope, x, y }: { scope: DeviceMark['scope']; x: number; y: number }) {
  if (!scope) return null;
  return (
    <g transform={`translate(${x} ${y})`}>
      {scope === 'renewed' ? (
        <g>
          <circle r={10.5} fill="var(--accent)" stroke="var(--sheet)" strokeWidth={1.5} />
          <path d="M-5 0H5M0 -5V5" stroke="var(--accent-ink)" strokeWidth={2.4} />
        </g>
      ) : (
        <g>
          <rect
            x={-9}
            y={-9}
            width={18}
            height={18}
            fill="var(--sheet)"
            stroke="var(--accent)"
            strokeWidth={2}
          />
          <path d="M-5.5 0q2.75 -5 5.5 0t5.5 0" fill="none" stroke="var(--accent)" strokeWidth={2.2} />
        </g>
      )}
    </g>
  );
}
