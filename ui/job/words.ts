import type { Amount, Behaviour, Condition, DebrisKind, DebrisPlace, RepairEffect } from '@/core/case';
import type { Evidence } from '@/core/diagnosis';
import type { UnitDefinition } from '@/core/unit';

export const BEHAVIOUR_WORDS: Record<Behaviour, string> = {
  normal: 'Normal',
  slips: 'Slips',
  flares: 'Flares',
  'no-drive': 'No drive',
  'wrong-gear': 'Wrong gear',
  skipped: 'Skipped',
  'double-bump': 'Double bump',
  binds: 'Binds',
  bogs: 'Bogs or stalls',
  delayed: 'Delayed',
  shudder: 'Shudders',
  noise: 'Noise',
  'no-engine-braking': 'No engine braking',
  moves: 'Moves when it should not',
  'binds-in-turns': 'Binds in turns',
};

export const CONDITION_WORDS: Record<Condition, string> = {
  cold: 'Cold',
  hot: 'Hot',
  load: 'Load',
  intermittent: 'At times',
};

export const DEBRIS_WORDS: Record<DebrisKind, { name: string; source: string }> = {
  'grey-paste': { name: 'Fine grey paste', source: 'wear, bearing or lock-up grinding' },
  'bright-flakes': { name: 'Bright flakes', source: 'a hard part failing' },
  chunks: { name: 'Chunks', source: 'a broken part: find what it came off' },
  bronze: { name: 'Yellow, bronze', source: 'bushing, thrust washer' },
  aluminium: { name: 'Soft silver', source: 'case, pump body, piston' },
  fibre: { name: 'Fibre, black mud', source: 'lining: which pack, or the converter' },
  plastic: { name: 'Plastic crumbs', source: 'washer cages, rings, check balls' },
  water: { name: 'Rust, white milk', source: 'water' },
};

export const AMOUNT_WORDS: Record<Amount, string> = {
  none: 'None',
  trace: 'Trace',
  some: 'Some',
  heavy: 'Heavy',
};

export const PLACE_WORDS: Record<DebrisPlace, string> = {
  pan: 'Pan',
  magnets: 'Magnets',
  filter: 'Filter',
  sensors: 'Sensor tips',
  lines: 'Cooler lines',
};

export const REPAIR_WORDS: Record<RepairEffect, string> = {
  nothing: 'Changed nothing',
  better: 'Better for a while',
  worse: 'Made it worse',
  cured: 'Cured it',
};

const POINT_WORDS: Record<string, string> = {
  lining: 'lining',
  fused: 'plates fused',
  pattern: 'pattern',
  dragged: 'dragging marks',
  drum: 'drum surface',
  airtest: 'air test',
  debris: 'debris',
  part: '',
  solenoid: 'resistance',
  grid: 'the complaint grid',
  filter: 'filter',
  codes: 'codes',
  cloudy: 'cloudy fluid',
  milky: 'milky fluid',
  replaced: 'renewed before',
  'converter-face': 'lock-up piston face',
  'converter-leak': 'converter leak test',
  'fades-hot': 'drive fades when hot',
  'fluid-colour': 'fluid colour',
  'fluid-smell': 'fluid smell',
  'fluid-level': 'fluid level',
  'converter-lining': 'lock-up lining',
  'converter-hub': 'converter hub',
  'history-power': 'engine power',
  'history-towing': 'towing',
  'history-converter': 'converter’s history',
};

/** An evidence point as a person says it: "High clutch lining: burnt". */
export function evidenceWords(unit: UnitDefinition, evidence: Pick<Evidence, 'point' | 'level'>): string {
  const [head = '', target] = evidence.point.split(':');
  const name =
    unit.elements.find((e) => e.id === target)?.name ??
    unit.parts.find((p) => p.id === target)?.name ??
    unit.solenoids.find((s) => s.id === target)?.name ??
    DEBRIS_WORDS[target as DebrisKind]?.name;
  if (head === 'grid') return 'The complaint grid';
  const what = POINT_WORDS[head] ?? head;
  const level = evidence.level.replaceAll('-', ' ');
  const subject = [name, what].filter(Boolean).join(' ');
  return `${subject.charAt(0).toUpperCase()}${subject.slice(1)}: ${level}`;
}

export function percent(p: number): string {
  return p > 0 && p < 0.005 ? '< 1 %' : `${Math.round(p * 100)} %`;
}
