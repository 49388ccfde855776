import { judge, logEvidenceOf } from './first';
import type { Judgement } from './judgement';
import { sayBearing } from './ledger';
import type { Evidence } from './ledger';
import type { Model } from './model';
import { put } from './posterior';
import type { Known, Networks } from './posterior';

/** Findings that do not go together: what the rest says makes them far less likely than they are by themselves. */
interface Conflict {
  /** How much less likely complaint and findings are together than apart, natural log; at or below 0 they agree. */
  between: number;
  /** The findings the rest speaks against most, `weight` the log of how much. */
  findings: Evidence[];
}

/** Twenty times less likely together than apart: called contradictory. */
export const CONTRADICTS = Math.log(20);
/** A single finding is named when the rest makes it so much less likely. */
const AGAINST = Math.log(6);
const SHOWN = 6;

type Told = Pick<Known, 'complaints' | 'codes'>;
const NOTHING: Told = { complaints: [], codes: [] };

/** Says of a judgement what does not go together. */
type Conflicts = (judgement: Judgement) => Conflict;

/**
 * Jensen's measure of conflict: log P(a)·P(b) ÷ P(a, b), between the complaint and what was found, and for each finding on
 * one node against everything else. Causes that explain both bring it down, so what is left is what no cause explains.
 * What is thought before any finding is worked out once, and what the complaint says alone once for each complaint.
 */
export function conflictsOf(model: Model, networks: Networks): Conflicts {
  const causes = model.roots.length;
  const evidence = ({ complaints, codes }: Told, bearings: Known['bearings']) => {
    const { network, likelihoods, logScale } = put(model, networks, bearings, complaints, codes);
    return logEvidenceOf(network, likelihoods, causes) + logScale;
  };
  let before: { marginals: Float64Array; evidence: number } | null = null;
  let lastTold: { key: string; evidence: number } | null = null;
  return ({ known, marginals, logEvidence }) => {
    if (!before) {
      const { network, likelihoods } = put(model, networks, [], [], []);
      before = {
        marginals: judge(network, likelihoods, causes).marginals,
        evidence: evidence(NOTHING, []),
      };
    }
    const prior = before;
    let between = 0;
    if (known.complaints.length + known.codes.length > 0 && known.bearings.length) {
      const key = JSON.stringify([known.complaints, known.codes]);
      if (lastTold?.key !== key) lastTold = { key, evidence: evidence(known, []) };
      between =
        lastTold.evidence +
        evidence(NOTHING, known.bearings) -
        (logEvidence + known.logScale) -
        prior.evidence;
    }
    const findings = known.bearings
      .filter((b) => b.link.nodes.length === 1)
      .map((b) => {
        const [node] = b.link.nodes as [number];
        // The node without this finding, then how likely the finding is on it.
        const odds = (marginals[node]! / b.present) * b.absent;
        const without = odds / (odds + 1 - marginals[node]!);
        const chance = (p: number) => p * b.present + (1 - p) * b.absent;
        return { ...sayBearing(b), weight: Math.log(chance(without) / chance(prior.marginals[node]!)) };
      })
      .filter((e) => e.weight < -AGAINST)
      .sort((a, b) => a.weight - b.weight)
      .slice(0, SHOWN);
    return { between, findings };
  };
}
