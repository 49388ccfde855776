import { knowledge } from '@/data/knowledge';
import { shippedUnits } from '@/data/shipped';
import { dice } from '../dice';
import { disturbed } from '../proof/disturbed';
import { drawing } from '../proof/drawn';
import { driving } from '../proof/driven';
import { MODEL, prove } from '../proof/proof';
import type { Proof } from '../proof/proof';
import type { Figure } from './figure';

/** Strengths are off by up to this share of themselves in one of the trials. */
const DISTURBED = 0.3;
/** Stories of each unit in which the proposed checks are made one after the other. */
const FOLLOWED = 12;
/** Mean distance of what is said from what is so: on the network's own failures, and on the simulator's. */
const CALIBRATED = { own: 0.05, simulated: 0.1 };

export interface Proofs {
  figures: Figure[];
  tables: Record<string, Proof>;
}

/** Judges made-up failures by the model and by plain rules: `perUnit` stories of each unit, three times. */
export function proof(perUnit: number): Proofs {
  const run = (worlds: Parameters<typeof prove>[2], seed: number) =>
    prove(shippedUnits, knowledge, worlds, perUnit, dice(seed), Math.min(perUnit, FOLLOWED));
  const nature = disturbed(knowledge, DISTURBED, dice(7));
  const tables = {
    'drawn from the network': run((unit) => drawing(unit, knowledge), 1),
    'drawn with strengths off by up to 30 %': run((unit) => drawing(unit, nature), 2),
    'driven in a simulator': run((unit) => driving(unit, knowledge), 3),
  };
  return {
    figures: [
      ...figuresOf('drawn from the network', tables['drawn from the network'], CALIBRATED.own),
      ...figuresOf('driven in a simulator', tables['driven in a simulator'], CALIBRATED.simulated),
    ],
    tables,
  };
}

function figuresOf(of: string, { after, before }: Proof, calibrated: number): Figure[] {
  const { [MODEL]: model, ...rules } = after;
  const best = (score: 'top1' | 'family') => Math.max(...Object.values(rules).map((r) => r[score]));
  const share = (name: string, value: number, budget: number): Figure => ({
    name,
    value,
    unit: 'share',
    budget,
    of,
  });
  return [
    share('calibration error, before teardown', before[MODEL]!.calibration, calibrated),
    share('calibration error, after teardown', model!.calibration, calibrated),
    share('first causes missed, against the best plain rule', 1 - model!.top1, 1 - best('top1')),
    share('what lets go missed, against the best plain rule', 1 - model!.family, 1 - best('family')),
    share(
      'Brier score, against half of the best plain rule',
      model!.brier,
      Math.min(...Object.values(rules).map((r) => r.brier)) / 2,
    ),
  ];
}
