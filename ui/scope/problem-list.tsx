'use client';
import { useState } from 'react';
import styled from 'styled-components';
import { valueOf } from '@/core/case';
import { variantMeasured } from '@/core/scope';
import type { ScopeProblem } from '@/core/scope';
import type { Variant } from '@/core/unit';
import { useJob } from '@/ui/job/provider';
import { Button, Caption, NumberInput, drawnLater } from '@/ui/system';

/** Comes with the first reason that is asked for. */
const ReasonDialog = drawnLater(() => import('./reason-dialog').then((m) => m.ReasonDialog));

const List = styled.ul`
  display: grid;
  gap: 1px;
  background: var(--rule);
  border: 1px solid var(--rule);
`;
const Item = styled.li<{ $signed: boolean; $hard: boolean }>`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 4px 14px;
  align-items: center;
  padding: 8px 12px;
  border-left: 5px solid ${(p) => (p.$signed ? 'var(--rule-strong)' : p.$hard ? 'var(--bad)' : 'var(--warn)')};
  background: ${(p) => (p.$signed ? 'var(--sheet)' : p.$hard ? 'var(--bad-wash)' : 'var(--warn-wash)')};
  @media (max-width: 600px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;

/** What speaks against the scope, each with what settles it: a measurement, or a name under it. */
export function ProblemList(props: { problems: readonly ScopeProblem[]; measured: readonly Variant[] }) {
  const { unit, state } = useJob();
  const [signing, setSigning] = useState<ScopeProblem | null>(null);
  return (
    <>
      <List aria-label="What speaks against this scope">
        {props.problems.map((problem) => (
          <Item key={problem.id} $signed={problem.waiver !== null} $hard={problem.needsWaiver}>
            <div>
              {problem.words}
              {problem.waiver && (
                <Caption>
                  Signed for by {problem.waiver.by}: {problem.waiver.words}
                </Caption>
              )}
            </div>
            <Settle problem={problem} onSign={() => setSigning(problem)} />
          </Item>
        ))}
        {props.measured.map((variant) => (
          <Item key={variant.id} $signed $hard={false}>
            <span>
              {variant.name}: measured, <b>{variantMeasured(unit, state, variant.id)}</b>.
            </span>
            <Reading variant={variant} />
          </Item>
        ))}
      </List>
      {signing && <Waiver problem={signing} onClose={() => setSigning(null)} />}
    </>
  );
}

function Settle({ problem, onSign }: { problem: ScopeProblem; onSign: () => void }) {
  const { unit, write } = useJob();
  const variant = unit.variants.find((v) => `variant-${v.id}` === problem.id);
  if (variant) return <Reading variant={variant} />;
  if (!problem.needsWaiver) return null;
  return problem.waiver ? (
    <Button $small $kind="quiet" onPress={() => write(`scope.waiver.${problem.id}`, null)}>
      Take the signature back
    </Button>
  ) : (
    <Button $small onPress={onSign}>
      Sign for it
    </Button>
  );
}

/** The identifying measurement: typed in millimetres, kept in metres. */
function Reading({ variant }: { variant: Variant }) {
  const { state, write, keepName } = useJob();
  const slot = `scope.variant.${variant.id}` as const;
  const stored = valueOf(state, slot) as number | undefined;
  const limits = variant.readings.map((r) => `${mm(r.min)} to ${mm(r.max)}: ${r.is}`).join('; ');
  return (
    <NumberInput
      label={`Measured (${limits})`}
      unit="mm"
      min={0}
      max={2000}
      keep={keepName(slot)}
      pause
      value={stored === undefined ? undefined : Number(mm(stored))}
      onChange={(v) => write(slot, v === null ? null : Math.round(v * 1000) / 1e6)}
    />
  );
}

/** To the thousandth of a millimetre, without trailing noughts. */
const mm = (metres: number) => String(Math.round(metres * 1e6) / 1000);

function Waiver({ problem, onClose }: { problem: ScopeProblem; onClose: () => void }) {
  const { write, user } = useJob();
  return (
    <ReasonDialog
      title="Go on against this rule"
      words={problem.words}
      label="Why, and who agreed (kept on record)"
      field={`waiver ${problem.id}`}
      action={`Sign as ${user.name}`}
      onGive={(words) => write(`scope.waiver.${problem.id}`, { words })}
      onClose={onClose}
    />
  );
}
