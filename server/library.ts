import { createHash } from 'node:crypto';
import type { Knowledge } from '@/core/diagnosis';
import type { ShopTerms } from '@/core/shop';
import type { ScopeRules } from '@/core/scope';
import { catalogueOf, inspectionOf, stageOfIn } from '@/core/inspection';
import type { Inspection } from '@/core/inspection';
import type { UnitDefinition } from '@/core/unit';
import { knowledge, rules } from '@/data/knowledge';
import { openTerms } from './shop';
import type { Shop } from './shop';

export { knowledge, rules };

const catalogue = catalogueOf(knowledge.inspection);

/** What can be looked at on a unit. */
export const inspect = (unit: UnitDefinition): Inspection => inspectionOf(unit, catalogue);

/** The stage each slot of a job belongs to. */
export const stageOf = stageOfIn(catalogue);

/** Everything a job page reasons with. */
interface Library {
  unit: UnitDefinition;
  knowledge: Knowledge;
  rules: ScopeRules;
  terms: ShopTerms;
}

/** A unit's `Library` as JSON, and the address it stands at for good: another content has another address. */
export interface Written {
  text: string;
  address: string;
}

const written = new WeakMap<UnitDefinition, Written & { terms: ShopTerms }>();

/** Written once per process and version of the terms; `version` is the unit's. */
export function libraryOf(unit: UnitDefinition, version: number, { terms }: Shop): Written {
  let known = written.get(unit);
  if (known?.terms !== terms) {
    const library: Library = { unit, knowledge, rules, terms: openTerms(terms, unit.id) };
    const text = JSON.stringify(library);
    const hash = createHash('sha256').update(text).digest('hex').slice(0, 24);
    known = { text, address: `/api/library/${unit.id}/${version}/${hash}`, terms };
    written.set(unit, known);
  }
  return known;
}
