import type { Bearing, LabourOperation, Member, Sensor, Solenoid, Spec, Station, Variant } from '@/core/unit';
import { SPEC_UNITS } from '../units';
import {
  fixed,
  fromLines,
  lines,
  members,
  name,
  named,
  orNone,
  partOrNone,
  parts,
  station,
  stations,
} from './column-kit';
import type { Column } from './rows';

export const MEMBERS: Column<Member>[] = [name()];

export const STATIONS: Column<Station>[] = [
  name(),
  {
    label: 'Only after',
    kind: 'many',
    options: stations,
    read: (s) => s.blockedBy,
    write: (s, blockedBy) => ({ ...s, blockedBy }),
  },
  {
    label: 'Bench time when something here is renewed',
    kind: 'number',
    unit: 'h',
    max: 40,
    read: (s) => s.benchHours,
    write: (s, v) => orNone(s, 'benchHours', v),
  },
  {
    label: 'Cautions, one a line',
    kind: 'lines',
    read: (s) => lines(s.cautions),
    write: (s, t) => ({ ...s, cautions: fromLines(t) }),
  },
  {
    label: 'Special tools, one a line',
    kind: 'lines',
    read: (s) => lines(s.tools),
    write: (s, t) => ({ ...s, tools: fromLines(t) }),
  },
  {
    label: 'Fasteners, one a line',
    kind: 'lines',
    read: (s) => lines(s.fasteners),
    write: (s, t) => ({ ...s, fasteners: fromLines(t) }),
  },
];

export const SOLENOIDS: Column<Solenoid>[] = [
  name(),
  {
    label: 'Sets',
    kind: 'choice',
    options: fixed('shift', 'pressure', 'lock-up'),
    read: (s) => s.role,
    write: (s, v) => ({ ...s, role: v as Solenoid['role'] }),
  },
  {
    label: 'Kind',
    kind: 'choice',
    options: fixed('on-off', 'linear'),
    read: (s) => s.kind,
    write: (s, v) => ({ ...s, kind: v as Solenoid['kind'] }),
  },
  {
    label: 'Its element alone',
    kind: 'choice',
    options: named((u) => u.elements, 'none'),
    read: (s) => s.element ?? '',
    write: (s, v) => orNone(s, 'element', v),
  },
  {
    label: 'Least at 20 °C',
    kind: 'number',
    unit: 'Ω',
    max: 1e5,
    read: (s) => s.ohm.min,
    write: (s, v) => ({ ...s, ohm: { ...s.ohm, min: v ?? 0 } }),
  },
  {
    label: 'Most at 20 °C',
    kind: 'number',
    unit: 'Ω',
    max: 1e5,
    read: (s) => s.ohm.max,
    write: (s, v) => ({ ...s, ohm: { ...s.ohm, max: v ?? 0 } }),
  },
  {
    label: 'Part',
    kind: 'choice',
    options: parts,
    read: (s) => s.part,
    write: (s, part) => ({ ...s, part }),
  },
];

export const SENSORS: Column<Sensor>[] = [
  name(),
  {
    label: 'Reads',
    kind: 'choice',
    options: fixed('speed', 'temperature', 'pressure', 'position'),
    read: (s) => s.kind,
    write: (s, v) => ({ ...s, kind: v as Sensor['kind'] }),
  },
  {
    label: 'Speed of',
    kind: 'choice',
    options: named((u) => u.members, 'none'),
    read: (s) => s.member ?? '',
    write: (s, v) => orNone(s, 'member', v),
  },
  {
    label: 'Tip is a magnet',
    kind: 'choice',
    options: fixed('no', 'yes'),
    read: (s) => (s.magnetic ? 'yes' : 'no'),
    write: (s, v) => ({ ...s, magnetic: v === 'yes' }),
  },
  station(),
];

export const BEARINGS: Column<Bearing>[] = [
  name(),
  { label: 'One side', kind: 'choice', options: members, read: (b) => b.a, write: (b, a) => ({ ...b, a }) },
  {
    label: 'Other side',
    kind: 'choice',
    options: members,
    read: (b) => b.b,
    write: (b, v) => ({ ...b, b: v }),
  },
  station(),
  {
    label: 'Part',
    kind: 'choice',
    options: partOrNone,
    read: (b) => b.part ?? '',
    write: (b, v) => orNone(b, 'part', v),
  },
];

const limit = (label: string, key: 'min' | 'max'): Column<Spec> => ({
  label,
  kind: 'number',
  unit: (s) => SPEC_UNITS[s.kind].unit,
  scale: (s) => SPEC_UNITS[s.kind].scale,
  max: 1e6,
  read: (s) => s[key],
  write: (s, v) => orNone(s, key, v),
});

/** SI is kept; what is typed is mm, bar, l/min or N·m by the kind. */
export const SPECS: Column<Spec>[] = [
  name(),
  {
    label: 'Kind',
    kind: 'choice',
    options: fixed(...Object.keys(SPEC_UNITS)),
    read: (s) => s.kind,
    write: (s, v) => ({ ...s, kind: v as Spec['kind'] }),
  },
  limit('At least', 'min'),
  limit('At most', 'max'),
  station(),
  {
    label: 'Of the part',
    kind: 'choice',
    options: partOrNone,
    read: (s) => s.part ?? '',
    write: (s, v) => orNone(s, 'part', v),
  },
  {
    label: 'Of the element',
    kind: 'choice',
    options: named((u) => u.elements, 'none'),
    read: (s) => s.element ?? '',
    write: (s, v) => orNone(s, 'element', v),
  },
  {
    label: 'Of the gearset',
    kind: 'choice',
    options: named((u) => u.gearsets, 'none'),
    read: (s) => s.gearset ?? '',
    write: (s, v) => orNone(s, 'gearset', v),
  },
  {
    label: 'Pressure at',
    kind: 'choice',
    options: () => [
      { value: '', label: 'not a pressure' },
      { value: 'idle', label: 'idle' },
      { value: 'full', label: 'full load' },
    ],
    read: (s) => s.load ?? '',
    write: (s, v) => orNone(s, 'load', v as Spec['load']),
  },
  {
    label: 'In the range',
    kind: 'choice',
    options: (u) => [
      { value: '', label: 'any' },
      ...[...new Set(u.gears.map((g) => g.range))].map((value) => ({ value, label: value })),
    ],
    read: (s) => s.range ?? '',
    write: (s, v) => orNone(s, 'range', v),
  },
];

export const VARIANTS: Column<Variant>[] = [
  name(),
  {
    label: 'Part',
    kind: 'choice',
    options: parts,
    read: (v) => v.part,
    write: (v, part) => ({ ...v, part }),
  },
  {
    label: 'Identifying measurement',
    kind: 'text',
    read: (v) => v.measure,
    write: (v, measure) => ({ ...v, measure: measure || v.measure }),
  },
];

export const LABOUR: Column<LabourOperation>[] = [
  name(),
  {
    label: 'Hours',
    kind: 'number',
    unit: 'h',
    min: 0.1,
    max: 200,
    read: (l) => l.hours,
    write: (l, v) => ({ ...l, hours: v ?? l.hours }),
  },
  {
    label: 'Charged at the rate for',
    kind: 'choice',
    options: () => [
      { value: '', label: 'bench' },
      ...['vehicle', 'diagnosis', 'machining'].map((value) => ({ value, label: value })),
    ],
    read: (l) => l.rate ?? '',
    write: (l, v) => orNone(l, 'rate', (v || undefined) as LabourOperation['rate']),
  },
  {
    label: 'Saves work together with',
    kind: 'many',
    options: (u, l) => named((unit) => unit.labour.filter((o) => o.id !== l.id))(u),
    read: (l) => (l.overlaps ?? []).map((o) => o.with),
    write: (l, ids) => {
      const hours = l.overlaps?.[0]?.hours ?? 0.5;
      const list = ids.map((id) => l.overlaps?.find((o) => o.with === id) ?? { with: id, hours });
      return orNone(l, 'overlaps', list.length ? list : undefined);
    },
  },
  {
    label: 'Hours it saves with each',
    kind: 'text',
    read: (l) => (l.overlaps ?? []).map((o) => o.hours).join(', '),
    write: (l, text) => {
      if (!l.overlaps) return l;
      const hours = text.split(/[\s,;]+/).map(Number);
      return {
        ...l,
        overlaps: l.overlaps.map((o, k) => (hours[k]! > 0 ? { ...o, hours: hours[k]! } : o)),
      };
    },
  },
];
