import { isBought } from '@/core/scope';
import type { Scope } from '@/core/scope';
import { midSentence } from '@/core/unit';
import { distanceWords } from '@/core/shop';
import type { Distance, Repaired, ShopTerms } from '@/core/shop';
import type { Warranty } from './schema';

const COVERS: Record<Repaired, string> = {
  targeted: 'what was opened and renewed',
  full: 'the whole unit',
  upgrade: 'the whole unit',
  exchange: 'the exchange unit and its converter',
};

/** The warranty of a repair: not on what was left in against advice, nor on what was kept old. */
export function warrantyOf(scope: Scope, terms: ShopTerms, converterPart: string): Warranty | null {
  if (scope.repair === 'none') return null;
  const repair = scope.repair;
  const { months, km } = terms.warranty[repair];
  const againstAdvice = scope.problems.filter((p) => p.kind === 'kept' || p.kind === 'cause');
  const converter = scope.lines.find((l) => l.key === `part-${converterPart}`);
  const keptConverter =
    (repair === 'full' || repair === 'upgrade') &&
    !(converter && (isBought(converter.action) || converter.action === 'reline'));
  return {
    months,
    km,
    covers: COVERS[repair],
    except: [
      ...(keptConverter ? ['the converter, which is kept'] : []),
      ...againstAdvice.map((p) => {
        const line = [...scope.lines, ...scope.removed].find((l) => `kept-${l.key}` === p.id);
        return line ? `${midSentence(line.name)}, kept against our advice` : 'what the cause left in does';
      }),
    ],
    voids: terms.warrantyVoids,
  };
}

/** "24 months or 40,000 km on the whole unit, except the converter, which is kept". */
export function warrantyWords(warranty: Warranty | null, distance?: Distance): string {
  if (!warranty || (warranty.months === 0 && warranty.km === 0)) return 'None';
  const { months, km, covers, except } = warranty;
  const length = [
    ...(months ? [`${months} ${months === 1 ? 'month' : 'months'}`] : []),
    ...(km ? [distanceWords(km, distance)] : []),
  ].join(' or ');
  return `${length} on ${covers}${except.length ? `, except ${except.join('; ')}` : ''}`;
}
