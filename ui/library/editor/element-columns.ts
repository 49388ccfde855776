import type { Element, Pack } from '@/core/unit';
import { fixed, orNone, parts, station } from './column-kit';
import type { Column } from './rows';

const pack = (
  label: string,
  key: 'outerDiameter' | 'innerDiameter' | 'frictionThickness' | 'steelThickness',
  max: number,
): Column<Pack> => ({
  label,
  kind: 'number',
  unit: 'mm',
  scale: 1000,
  min: 0.1,
  max,
  read: (p) => p[key],
  write: (p, v) => (v ? { ...p, [key]: v } : p),
});

export const PACK: Column<Pack>[] = [
  {
    label: 'Frictions',
    kind: 'number',
    unit: '',
    min: 1,
    max: 20,
    whole: true,
    read: (p) => p.frictions,
    write: (p, v) => (v && v !== p.frictions ? { ...p, frictions: v, order: stackOf(v, p.order) } : p),
  },
  pack('Lining outer diameter', 'outerDiameter', 1000),
  pack('Lining inner diameter', 'innerDiameter', 1000),
  pack('Friction thickness', 'frictionThickness', 50),
  pack('Steel thickness', 'steelThickness', 50),
  {
    label: 'Piston area',
    kind: 'number',
    unit: 'cm²',
    scale: 1e4,
    min: 0.1,
    max: 5000,
    read: (p) => p.pistonArea,
    write: (p, v) => (v ? { ...p, pistonArea: v } : p),
  },
  {
    label: 'Return springs',
    kind: 'number',
    unit: 'N',
    max: 1e5,
    read: (p) => p.returnForce,
    write: (p, v) => ({ ...p, returnForce: v ?? 0 }),
  },
  {
    label: 'Friction coefficient',
    kind: 'number',
    unit: '',
    min: 0.01,
    max: 1,
    read: (p) => p.mu,
    write: (p, v) => (v ? { ...p, mu: v } : p),
  },
  {
    label: 'Least clearance',
    kind: 'number',
    unit: 'mm',
    scale: 1000,
    max: 20,
    read: (p) => p.clearance.min,
    write: (p, v) => ({ ...p, clearance: { ...p.clearance, min: v ?? 0 } }),
  },
  {
    label: 'Most clearance',
    kind: 'number',
    unit: 'mm',
    scale: 1000,
    max: 20,
    read: (p) => p.clearance.max,
    write: (p, v) => ({ ...p, clearance: { ...p.clearance, max: v ?? 0 } }),
  },
];

/** Plates in the usual order: steel and friction in turn from the piston; a wave spring and a backing plate stay. */
function stackOf(frictions: number, before: Pack['order']): Pack['order'] {
  const order: Pack['order'] = before.includes('wave') ? ['wave'] : [];
  for (let k = 0; k < frictions; k++) order.push('steel', 'friction');
  return before.includes('backing') ? [...order, 'backing'] : order;
}

type Band = NonNullable<Element['band']>;
export const BAND: Column<Band>[] = [
  {
    label: 'Drum radius',
    kind: 'number',
    unit: 'mm',
    scale: 1000,
    min: 1,
    max: 500,
    read: (b) => b.drumRadius,
    write: (b, v) => (v ? { ...b, drumRadius: v } : b),
  },
  {
    label: 'Angle of wrap',
    kind: 'number',
    unit: 'rad',
    min: 0.1,
    max: 20,
    read: (b) => b.wrap,
    write: (b, v) => (v ? { ...b, wrap: v } : b),
  },
  {
    label: 'Servo area',
    kind: 'number',
    unit: 'cm²',
    scale: 1e4,
    min: 0.1,
    max: 5000,
    read: (b) => b.servoArea,
    write: (b, v) => (v ? { ...b, servoArea: v } : b),
  },
  {
    label: 'Return spring',
    kind: 'number',
    unit: 'N',
    max: 1e5,
    read: (b) => b.returnForce,
    write: (b, v) => ({ ...b, returnForce: v ?? 0 }),
  },
  {
    label: 'Friction coefficient',
    kind: 'number',
    unit: '',
    min: 0.01,
    max: 1,
    read: (b) => b.mu,
    write: (b, v) => (v ? { ...b, mu: v } : b),
  },
  {
    label: 'Winds itself tighter',
    kind: 'choice',
    options: fixed('yes', 'no'),
    read: (b) => (b.selfEnergising ? 'yes' : 'no'),
    write: (b, v) => ({ ...b, selfEnergising: v === 'yes' }),
  },
];

export const ELEMENT: Column<Element>[] = [
  {
    label: 'Label, up to 6',
    kind: 'text',
    read: (e) => e.short,
    write: (e, t) => ({ ...e, short: t.slice(0, 6) || e.short }),
  },
  station(),
  {
    label: 'Used',
    kind: 'choice',
    options: fixed('dynamic', 'static', 'modulated'),
    read: (e) => e.application ?? 'static',
    write: (e, v) => ({ ...e, application: v as Element['application'] }),
  },
  {
    label: 'Its oil passes',
    kind: 'many',
    options: parts,
    read: (e) => e.feedPath,
    write: (e, feedPath) => ({ ...e, feedPath }),
  },
  {
    label: 'Its torque passes',
    kind: 'many',
    options: parts,
    read: (e) => e.powerPath,
    write: (e, powerPath) => ({ ...e, powerPath }),
  },
  {
    label: 'Its lining',
    kind: 'many',
    options: parts,
    read: (e) => e.liningParts ?? [],
    write: (e, v) => orNone(e, 'liningParts', v.length ? v : undefined),
  },
];

export const CAPACITY: Column<Element> = {
  label: 'Capacity',
  kind: 'number',
  unit: 'N·m',
  min: 1,
  max: 1e6,
  read: (e) => e.capacityNm,
  write: (e, v) => orNone(e, 'capacityNm', v),
};
