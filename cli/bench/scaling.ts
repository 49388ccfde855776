import { diagnoser, posteriors } from '@/core/diagnosis';
import { knowledge } from '@/data/knowledge';
import { shippedUnits } from '@/data/shipped';
import type { UnitDefinition } from '@/core/unit';
import { dice } from '../dice';
import { drawing } from '../proof/drawn';
import type { Values } from '../proof/recorder';
import { stateOf, stories } from '../proof/story';
import type { Figure } from './figure';
import { median } from './figure';

/** How long a verdict takes by how much is known, and by how many causes there are, ms. */
export interface Scaling {
  findings: { findings: number; posteriors: number; whole: number }[];
  causes: { unit: string; causes: number; findings: number; posteriors: number; whole: number }[];
}

const FINDINGS = [0, 15, 30, 60, 120];
const MANY = 60;
const RUNS = 9;

export function scaling(): { figures: Figure[]; scaling: Scaling } {
  const eight = shippedUnits.find((u) => u.id === 'ostrel-eight')!;
  const time = timing(eight);
  const findings = FINDINGS.map((count) => ({ findings: count, ...time(firstOf(eight, count)) }));
  const causes = shippedUnits.map((unit) => ({
    unit: unit.name,
    causes: posteriors(unit, knowledge).causes,
    findings: MANY,
    ...timing(unit)(firstOf(unit, MANY)),
  }));
  const { posteriors: all, whole } = findings.find((f) => f.findings === MANY)!;
  const of = `${eight.name}, ${MANY} findings, median of ${RUNS}`;
  return {
    figures: [
      { name: 'every posterior of a full record', value: all, unit: 'ms', budget: 100, of },
      { name: 'verdict with chains, ledgers and next checks', value: whole, unit: 'ms', budget: 400, of },
    ],
    scaling: { findings, causes },
  };
}

function timing(unit: UnitDefinition): (values: Values) => { posteriors: number; whole: number } {
  const { of } = posteriors(unit, knowledge);
  const diagnose = diagnoser(unit, knowledge);
  return (values) => {
    const state = stateOf(values);
    return {
      posteriors: median(RUNS, () => of(state)),
      whole: median(RUNS, () => diagnose(state).nextChecks),
    };
  };
}

/** So many entries of a made-up record: the complaint first, then what was found. */
function firstOf(unit: UnitDefinition, count: number): Values {
  const d = dice(4);
  const { after } = stories(unit, knowledge.causal)(drawing(unit, knowledge)(d), d);
  const slots = Object.keys(after).sort(
    (a, b) => Number(b.startsWith('grid.')) - Number(a.startsWith('grid.')),
  );
  return Object.fromEntries(slots.slice(0, count).map((slot) => [slot, after[slot]!]));
}
