import { attachmentsOf } from '@/core/powerflow';
import { catalogueOf } from '@/core/inspection';
import { PART_ROLES } from '@/core/unit';
import type { Attachment, Part, PartRole, UnitDefinition } from '@/core/unit';
import { inspection } from '@/data/inspection';
import { fixed, fromSizes, name, named, orNone, parts, partOrNone, sizesText, station } from './column-kit';
import type { Column } from './rows';

/** An attachment as the text a list of choices can hold, and back. */
const asText = (a: Attachment) => JSON.stringify(a);
const fromText = (text: string) => JSON.parse(text) as Attachment;

function attachmentWords(unit: UnitDefinition, a: Attachment): string {
  if ('element' in a) return unit.elements.find((e) => e.id === a.element)?.name ?? a.element;
  if ('terminal' in a) return a.terminal === 'input' ? 'the turbine' : 'the output end';
  return `${a.gear} of ${unit.gearsets.find((g) => g.id === a.gearset)?.name ?? a.gearset}`;
}

/** A part of a power path: which member it holds together, and what is cut off when it breaks. */
const BREAKS: Column<Part>[] = [
  {
    label: 'Broken, it divides',
    kind: 'choice',
    options: (unit) => [
      { value: '', label: 'nothing' },
      ...unit.members.map((m) => ({ value: m.id, label: m.name })),
    ],
    read: (p) => p.splits?.member ?? '',
    write: (p, member) =>
      orNone(
        p,
        'splits',
        member ? { member, away: p.splits?.member === member ? p.splits.away : [] } : undefined,
      ),
  },
  {
    label: 'What is then cut off',
    kind: 'many',
    options: (unit, p) =>
      (p.splits ? attachmentsOf(unit, p.splits.member) : []).map((a) => ({
        value: asText(a),
        label: attachmentWords(unit, a),
      })),
    read: (p) => p.splits?.away.map(asText) ?? [],
    write: (p, away) => (p.splits ? { ...p, splits: { ...p.splits, away: away.map(fromText) } } : p),
  },
];

/** Whose it is, where the paths of the unit do not say. */
const BELONGS: Column<Part>[] = [
  {
    label: 'Belongs to the element',
    kind: 'choice',
    options: named((u) => u.elements, 'as the paths say'),
    read: (p) => p.element ?? '',
    write: (p, v) => orNone(p, 'element', v),
  },
  {
    label: 'Belongs to the gearset',
    kind: 'choice',
    options: named((u) => u.gearsets, 'none'),
    read: (p) => p.gearset ?? '',
    write: (p, v) => orNone(p, 'gearset', v),
  },
];

/** How it is sold, and what it is taken for. */
const SOLD: Column<Part>[] = [
  {
    label: 'Sizes sold, mm',
    kind: 'text',
    read: (p) => sizesText(p.sizes ?? []),
    write: (p, text) => {
      const sizes = fromSizes(text);
      return orNone(p, 'sizes', sizes.length ? sizes : undefined);
    },
  },
  {
    label: 'Sold only as',
    kind: 'choice',
    options: (u, p) => partOrNone(u).filter((o) => o.value !== p.id),
    read: (p) => p.soldAs ?? '',
    write: (p, v) => orNone(p, 'soldAs', v),
  },
  {
    label: 'Nearly the size of',
    kind: 'many',
    options: (u, p) => parts(u).filter((o) => o.value !== p.id),
    read: (p) => p.mistakenFor ?? [],
    write: (p, v) => orNone(p, 'mistakenFor', v.length ? v : undefined),
  },
];

const ROLE_WORDS: Record<PartRole, string> = {
  filter: 'filter',
  'pan-gasket': 'pan gasket',
  'pump-gears': 'pump gears',
  'pump-cover': 'pump cover',
  'pump-bushing': 'pump bushing',
  regulator: 'pressure regulator',
  converter: 'torque converter',
  'overhaul-kit': 'overhaul kit',
  'exchange-unit': 'exchange unit',
};

/** What is looked at on a part goes by its kind. */
const KINDS = ['', ...catalogueOf(inspection).partKinds];

export const PARTS: Column<Part>[] = [
  name(),
  station(),
  {
    label: 'Role',
    kind: 'choice',
    options: () => [
      { value: '', label: 'any other part' },
      ...PART_ROLES.map((role) => ({ value: role, label: ROLE_WORDS[role] })),
    ],
    read: (p) => p.role ?? '',
    write: (p, value) => orNone(p, 'role', (value || undefined) as Part['role']),
  },
  {
    label: 'Kind',
    kind: 'choice',
    options: () => KINDS.map((kind) => ({ value: kind, label: kind.replaceAll('-', ' ') })),
    read: (p) => p.kind ?? '',
    write: (p, value) => orNone(p, 'kind', value || undefined),
  },
  {
    label: 'Material',
    kind: 'choice',
    options: fixed('steel', 'aluminium', 'bronze', 'lining', 'rubber', 'plastic', 'paper', 'copper'),
    read: (p) => p.material,
    write: (p, value) => ({ ...p, material: value as Part['material'] }),
  },
  {
    label: 'Magnet test',
    kind: 'choice',
    options: () => [
      { value: '', label: 'as its material' },
      { value: 'no', label: 'not magnetic, on purpose' },
      { value: 'yes', label: 'magnetic' },
    ],
    read: (p) => (p.magnetic === undefined ? '' : p.magnetic ? 'yes' : 'no'),
    write: (p, v) => orNone(p, 'magnetic', v === '' ? undefined : v === 'yes'),
  },
  ...BELONGS,
  {
    label: 'Price',
    kind: 'money',
    read: (p) => p.price,
    write: (p, v) => orNone(p, 'price', v),
  },
  {
    label: 'Delivery',
    kind: 'number',
    unit: 'days',
    max: 365,
    whole: true,
    read: (p) => p.leadDays,
    write: (p, v) => orNone(p, 'leadDays', v),
  },
  {
    label: 'Core deposit',
    kind: 'money',
    read: (p) => p.coreDeposit,
    write: (p, v) => orNone(p, 'coreDeposit', v),
  },
  {
    label: 'Old part back within',
    kind: 'number',
    unit: 'days',
    max: 3650,
    whole: true,
    read: (p) => p.returnDays,
    write: (p, v) => orNone(p, 'returnDays', v || undefined),
  },
  {
    label: 'Kit',
    kind: 'choice',
    options: () => [
      { value: '', label: 'not sold' },
      { value: 'overhaul', label: 'in the overhaul kit' },
      { value: 'separate', label: 'not in the kit' },
      { value: 'always', label: 'always renewed' },
    ],
    read: (p) => p.kit ?? '',
    write: (p, value) => orNone(p, 'kit', value as Part['kit']),
  },
  {
    label: 'Starts trouble, 1 = like its peers',
    kind: 'number',
    unit: '',
    max: 100,
    read: (p) => p.weakness,
    write: (p, v) => orNone(p, 'weakness', v),
  },
  {
    label: 'How it fails',
    kind: 'choice',
    options: (u) => [
      { value: '', label: 'not said' },
      ...fixed(
        'torn',
        'cracked',
        'worn',
        'broken',
        'sticking',
        'leaking',
        'sheared',
        'stripped',
        'blocked',
        'scored',
        'lining-lost',
        'electrical',
        'off-lever',
        'slips',
      )(u),
    ],
    read: (p) => p.failure ?? '',
    write: (p, value) => orNone(p, 'failure', value),
  },
  ...BREAKS,
  ...SOLD,
  {
    label: 'Renewed with it',
    kind: 'many',
    options: parts,
    read: (p) => p.takesAlong ?? [],
    write: (p, v) => orNone(p, 'takesAlong', v.length ? v : undefined),
  },
  { label: 'Note', kind: 'text', read: (p) => p.note ?? '', write: (p, v) => orNone(p, 'note', v) },
  {
    label: 'How to tell variants apart',
    kind: 'text',
    read: (p) => p.variantMeasurement ?? '',
    write: (p, v) => orNone(p, 'variantMeasurement', v),
  },
  {
    label: 'Supplier',
    kind: 'text',
    read: (p) => p.supplier ?? '',
    write: (p, v) => orNone(p, 'supplier', v),
  },
];
