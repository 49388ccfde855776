import { levelWords, pointWords } from '@/core/inspection';
import type { Inspection, Subject } from '@/core/inspection';
import type { SubjectHead } from '@/core/case';

/** Facts that are no points of the catalogue. */
const WORDS: Record<string, string> = {
  lining: 'lining',
  fused: 'plates fused',
  pattern: 'pattern',
  dragged: 'dragging marks',
  'stays-on': 'does not let go in the air test',
  part: '',
  takedown: 'damaged by us',
  grid: 'the complaint grid',
  codes: 'codes',
  cloudy: 'cloudy fluid',
  milky: 'milky fluid',
  replaced: 'renewed before',
  spread: 'spread through the unit',
  'only-hot': 'comes hot only',
  'hard-use': 'hard use',
  'history-power': 'engine power',
  'history-towing': 'towing',
  'history-tyres': 'tyres',
  'history-mud': 'mud or water',
  'stall-low': 'stall speed too low',
  waded: 'driven through water',
  'history-park': 'Park while rolling',
  'history-fluid': 'fluid change',
  'history-converter': 'converter’s history',
  'history-distance': 'distance run',
  'history-rebuilt': 'rebuilt before',
  grey: 'grey fluid',
  'code-lock-up': 'code: lock-up slips',
  'code-lock-up-on': 'code: lock-up stays on',
  'code-pressure': 'code: pressure does not follow',
  'code-range': 'code: range sensor',
  'code-hot': 'code: oil too hot',
  'code-coil': 'code: circuit',
  'code-shift': 'code: its shift not seen',
};

/** Facts of a place: where a test bubbled, and by what a filter is held back. */
const BUBBLED = 'bubbled.';
const HELD_BACK = 'filter.by.';

/** Levels of a measured point. */
const MEASURED: Record<string, string> = {
  in: 'within limits',
  under: 'under its limit',
  over: 'over its limit',
};

const HEADS: readonly SubjectHead[] = ['element', 'part', 'gearset', 'solenoid', 'sensor', 'station'];

/** A fact as a person says it: "Sun shell, crack: seen", "High clutch lining: burnt". */
export function factWords(
  inspection: Inspection,
  { point, level }: { point: string; level: string },
): string {
  if (point === 'grid') return 'The complaint grid';
  const [head = '', target] = point.split(':') as [string, string?];
  const known = inspection.catalogue.point(head);
  const subject = target === undefined ? null : subjectNamed(inspection, target, known?.file.of);
  if (known) {
    const said = answerWords(inspection, { point, level });
    return `${subject ? pointWords(subject, known) : `${known.file.words}, ${known.point.words.toLowerCase()}`}: ${said}`;
  }
  if (head.startsWith(BUBBLED))
    return `${subject?.name ?? ''}: bubbles at the ${head.slice(BUBBLED.length).replaceAll('-', ' ')}`;
  if (head.startsWith(HELD_BACK))
    return `${subject?.name ?? ''}, held back ${head.slice(HELD_BACK.length)}: ${answerWords(inspection, { point, level })}`;
  const words = [subject?.name, WORDS[head] ?? head].filter(Boolean).join(' ');
  // A code stands or it does not: nothing is to be added.
  if (head.startsWith('code-')) return words.charAt(0).toUpperCase() + words.slice(1);
  return `${words.charAt(0).toUpperCase()}${words.slice(1)}: ${answerWords(inspection, { point, level })}`;
}

/** What came out, alone: "seen", "over its limit". */
export function answerWords(
  { catalogue }: Inspection,
  { point, level }: { point: string; level: string },
): string {
  const known = catalogue.point(point.split(':')[0]!);
  return known ? (MEASURED[level] ?? levelWords(known, level).toLowerCase()) : level.replaceAll('-', ' ');
}

/** The thing a fact is about: facts of plates and faces are about their element. */
function subjectNamed(inspection: Inspection, id: string, of?: { [head: string]: unknown }): Subject | null {
  const heads = of ? HEADS.filter((h) => of[h] || (h === 'element' && (of.plate || of.face))) : HEADS;
  for (const head of heads) {
    const found = inspection.subject(head, [id]);
    if (found) return found;
  }
  return null;
}
