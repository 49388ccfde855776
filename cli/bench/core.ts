import { BEHAVIOURS, stateFromValues } from '@/core/case';
import type { Complaint } from '@/core/case';
import { diagnoser } from '@/core/diagnosis';
import { gearOutcome, singleFaults } from '@/core/powerflow';
import { suspectRanker } from '@/core/suspects';
import { checkUnit } from '@/core/validation';
import { demoJobs } from '@/data/demo';
import { knowledge } from '@/data/knowledge';
import { shippedUnits } from '@/data/shipped';
import type { Figure } from './figure';
import { median } from './figure';

/** The core's own figures, without server or browser. */
export function core(): Figure[] {
  const largest = shippedUnits.reduce((a, b) => (b.gears.length > a.gears.length ? b : a));
  const faults = singleFaults(largest);
  const powerflow = median(30, () => {
    for (const fault of faults) for (const gear of largest.gears) gearOutcome(largest, gear.key, [fault]);
  });
  // A grid as full as one can be, with every word in it once.
  const grid = largest.gears.map(
    (g, k): Complaint => ({
      gear: g.key,
      speaker: 'customer',
      heat: k % 3 ? 'any' : 'hot',
      cell: { behaviours: [BEHAVIOURS[k % BEHAVIOURS.length]!] },
      slot: `grid.${g.key}.customer`,
    }),
  );
  const ranker = suspectRanker(largest, knowledge.behaviour, 12);
  // A copy of the unit has nothing worked out yet: what an imported unit costs the first time.
  const fromNothing = median(15, () =>
    suspectRanker(structuredClone(largest), knowledge.behaviour, 12)(grid),
  );
  const four = shippedUnits.find((u) => u.id === 'ostrel-four')!;
  const diagnose = diagnoser(four, knowledge);
  const fullest = demoJobs()
    .filter((j) => j.unit === four.id)
    .map((j) => j.findings)
    .sort((a, b) => Object.keys(b).length - Object.keys(a).length)[0]!;
  const state = stateFromValues(fullest);
  const definition = structuredClone(largest);
  return [
    {
      name: 'all single faults in every gear',
      value: powerflow,
      unit: 'ms',
      budget: 5,
      of: `${largest.name}, ${faults.length} faults in ${largest.gears.length} positions, median of 30`,
    },
    {
      name: 'complaint solver with pairs',
      value: median(30, () => ranker(grid)),
      unit: 'ms',
      budget: 50,
      of: `${largest.name}, prepared, median of 30`,
    },
    {
      name: 'complaint solver with pairs, from nothing',
      value: fromNothing,
      unit: 'ms',
      budget: 50,
      of: `${largest.name}, all hypotheses solved anew, median of 15`,
    },
    {
      name: 'unit definition checked',
      value: median(15, () => checkUnit(definition)),
      unit: 'ms',
      budget: 50,
      of: `${largest.name}, median of 15`,
    },
    {
      name: 'diagnosis with next checks',
      value: median(30, () => diagnose(state).nextChecks),
      unit: 'ms',
      budget: 100,
      of: `Ostrel Four, ${Object.keys(state).length} findings, median of 30`,
    },
  ];
}
