import type { JobState } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import type { Judged } from './first';
import { judge } from './first';
import type { Knowledge } from './knowledge';
import { linker } from './link';
import { buildModel } from './model';
import { knownOf, networksOf } from './posterior';

/** Everything that is probable and how much, without chains, ledgers and checks. Compiles the unit's model once. */
export function posteriors(
  unit: UnitDefinition,
  knowledge: Knowledge,
): { causes: number; of: (state: JobState) => Judged } {
  const model = buildModel(unit, knowledge);
  const [link, networks] = [linker(model), networksOf(model)];
  return {
    causes: model.roots.length,
    of: (state) => {
      const { network, likelihoods } = knownOf(model, link, networks, state);
      return judge(network, likelihoods, model.roots.length);
    },
  };
}
