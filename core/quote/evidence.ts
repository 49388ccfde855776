import { valueOf } from '@/core/case';
import type { JobState } from '@/core/case';
import { findingWords, measure, measureOf, measureWords, pointWords, readingWords } from '@/core/inspection';
import type { Found, Inspection, MeasureUnit } from '@/core/inspection';
import { elementOf, midSentence } from '@/core/unit';
import type { Evidence } from './schema';

/** Something found wrong, with the name it is left out by: `quote.without.KEY`. */
export interface Telling {
  key: string;
  words: string;
  severity: number;
}

/** From here on something is past use: less is a matter for the shop, not for the customer. */
const TELLING = 2;
const MOST = { telling: 14, found: 8, sound: 24, measured: 12 } as const;

/** What was found wrong, the worst first; what is alike on the faces of one pack is one sentence. */
export function tellingFindings(inspection: Inspection, state: JobState): Telling[] {
  const groups = new Map<string, Found[]>();
  for (const f of inspection.findings(state)) {
    if ((f.judgement?.severity ?? 0) < TELLING || typeof f.finding.is === 'number') continue;
    const key = isPlate(f) ? `${f.subject.element} ${f.point.point.id}` : f.slot;
    groups.set(key, [...(groups.get(key) ?? []), f]);
  }
  return [...groups]
    .map(([key, list]): Telling => {
      const worst = list.reduce((a, b) => (b.judgement!.severity! > a.judgement!.severity! ? b : a));
      const words = isPlate(worst) ? plateWords(inspection, worst, list.length) : plainWords(worst);
      return { key: key.replace(/[^\w-]/g, '-').slice(0, 80), words, severity: worst.judgement!.severity! };
    })
    .sort((a, b) => b.severity - a.severity || a.words.localeCompare(b.words))
    .slice(0, MOST.telling);
}

const isPlate = ({ subject }: Found) => ['face', 'plate'].includes(subject.head) && subject.element !== null;

const plainWords = ({ subject, point, finding }: Found) =>
  `${pointWords(subject, point)}: ${midSentence(findingWords(point, finding))}`;

function plateWords({ unit }: Inspection, { subject, point, finding }: Found, count: number): string {
  const where = count === 1 ? '' : subject.head === 'face' ? `, ${count} faces` : `, ${count} plates`;
  const what = midSentence(point.point.words);
  return `${elementOf(unit, subject.element!).name}, ${what}: ${midSentence(findingWords(point, finding))}${where}`;
}

/** What of the inspection goes to the customer: what the shop did not leave out, what is sound, what was measured. */
export function evidenceOf(inspection: Inspection, state: JobState): Evidence {
  const findings = inspection.findings(state);
  const isTold = ({ key }: Telling) => valueOf(state, `quote.without.${key}`) !== true;
  return {
    found: tellingFindings(inspection, state)
      .filter(isTold)
      .slice(0, MOST.found)
      .map((t) => t.words),
    sound: soundNames(findings),
    measured: measuredIn(inspection, findings),
  };
}

/** Parts on which nothing at all was found, as far as they were looked at. */
function soundNames(findings: readonly Found[]): string[] {
  const worst = new Map<string, { name: string; severity: number }>();
  for (const { subject, judgement } of findings) {
    if (!['part', 'solenoid', 'gearset'].includes(subject.head) || judgement?.severity === undefined)
      continue;
    const known = worst.get(subject.slot)?.severity ?? 0;
    worst.set(subject.slot, { name: subject.name, severity: Math.max(known, judgement.severity) });
  }
  const sound = [...worst.values()].filter((s) => s.severity === 0).map((s) => s.name);
  return [...new Set(sound)].sort((a, b) => a.localeCompare(b)).slice(0, MOST.sound);
}

type Reading = { f: Found; unit: MeasureUnit; value: number; limit: string; within: boolean };

/** Readings beside their limits, outside first; those alike and within are one line with their span. */
function measuredIn({ unit }: Inspection, findings: readonly Found[]): Evidence['measured'] {
  const groups = new Map<string, Reading[]>();
  for (const f of findings) {
    const field = measureOf(f.point.point);
    const measured = measure(unit, f.subject, f.point.point, f.finding);
    if (!field || !measured || measured.level === 'read') continue;
    const limit = measureWords(measured.limit, field.unit);
    const within = measured.level === 'in';
    const key = within ? `${f.subject.head} ${f.point.point.id} ${limit}` : f.slot;
    const reading = { f, unit: field.unit, value: measured.value, limit, within };
    groups.set(key, [...(groups.get(key) ?? []), reading]);
  }
  return [...groups.values()]
    .map((list) => ({
      what: whatWords(list),
      value: spanWords(list),
      limit: list[0]!.limit,
      within: list[0]!.within,
    }))
    .sort((a, b) => Number(a.within) - Number(b.within))
    .slice(0, MOST.measured);
}

function whatWords(list: readonly Reading[]): string {
  const [{ subject, point }] = list.map((r) => r.f) as [Found];
  const others = list.length - 1;
  if (others === 0) return pointWords(subject, point);
  return `${subject.name} and ${others} more, ${midSentence(point.point.words)}`;
}

/** One reading, or the least and the most of several. A resistance is shown as it is held against its limit: at 20 °C. */
function spanWords(list: readonly Reading[]): string {
  const { unit } = list[0]!;
  const ends = [Math.min(...list.map((r) => r.value)), Math.max(...list.map((r) => r.value))];
  const said = [...new Set(ends.map((v) => readingWords(v, unit)))];
  return `${said.join('–')} ${unit}`.trim();
}
