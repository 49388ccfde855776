'use client';
import { typedName } from '@/ui/sync/left';
import { useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'next/navigation';
import { useCallback, useMemo, useState } from 'react';
import styled from 'styled-components';
import { blankUnit, duplicateUnit, idFrom, withForwardSign } from '@/core/unit';
import type { UnitDefinition, UnitKey } from '@/core/unit';
import { RequestError, send } from '@/ui/net/request';
import { UnitSection } from '@/ui/section';
import { Button, Notice, Page, Shortcuts, Stack } from '@/ui/system';
import { LibraryFrame } from '../frame';
import { Problems } from '../problems';
import type { Failure } from '../problems';
import { Basics } from './basics';
import { ChartForm } from './chart';
import { ElementsForm } from './elements';
import { GearsetsForm } from './gearsets';
import { Lists } from './lists';
import { Live, outcomesOf } from './live';
import { Currency } from './rows';
import { useCheck } from './use-check';
import { useDraft } from './use-draft';

const Two = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  gap: 12px;
  align-items: start;
  @media (max-width: 1000px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const NO_MARKS = {};

interface Props {
  user: string;
  /** The shop's. */
  currency: string;
  /** The version that is edited; absent for a new unit. */
  editing?: { unit: UnitDefinition; version: number };
  /** A unit to begin a new one from. */
  from?: UnitDefinition;
}

/** A unit's form: what the powerflow needs first, with the ratios beside it, then everything else. */
export function UnitEditor({ user, currency, editing, from }: Props) {
  const router = useRouter();
  const queries = useQueryClient();
  const [failure, setFailure] = useState<Failure | null>(null);
  const [saving, setSaving] = useState(false);
  const keep = typedName(
    user,
    `unit ${editing ? `${editing.unit.id}@${editing.version}` : `new:${from?.id ?? ''}`}`,
  );
  const initial = useCallback(
    () =>
      editing?.unit ??
      (from
        ? duplicateUnit(from, `${from.id}-copy`, `${from.name}, copy`)
        : blankUnit('new-unit', 'New unit')),
    [editing, from],
  );
  const { unit: draft, change, undo, canUndo, resumed, startOver, forget } = useDraft(keep, initial);
  // A new unit is named by its name; which way forward is follows from the first gear.
  const unit = useMemo(() => {
    const first = draft.gears.findIndex((g) => g.gear === 1);
    const ratio = first < 0 ? null : (outcomesOf(draft)[first]?.ratio ?? null);
    const named = editing ? draft : { ...draft, id: idFrom(draft.name, []) };
    return editing ? named : withForwardSign(named, ratio);
  }, [draft, editing]);
  const { check, behind } = useCheck(unit);
  // While the last change is being looked over saving is open: the server looks again in any case.
  const wrong = check !== null && !behind && check.problems.length > 0;
  const save = async () => {
    setFailure(null);
    setSaving(true);
    try {
      const made = editing
        ? await send<UnitKey>('PUT', `/api/units/${unit.id}`, {
            body: { basedOn: editing.version, definition: unit },
          })
        : await send<UnitKey>('POST', '/api/units', { body: unit });
      forget();
      queries.removeQueries({ queryKey: ['unit check'] });
      router.push(`/units/${made.id}`);
      router.refresh();
    } catch (error) {
      setFailure(
        error instanceof RequestError
          ? error
          : {
              message: 'No connection to the shop’s server.',
              remedy: 'What you entered is kept; try again.',
              problems: [],
            },
      );
    }
    setSaving(false);
  };
  return (
    <LibraryFrame
      title={editing ? `${editing.unit.name}, version ${editing.version + 1}` : 'New unit'}
      aside={editing ? `begun from version ${editing.version}` : undefined}
      back={{ href: editing ? `/units/${unit.id}` : '/units', words: editing ? 'Without saving' : 'Units' }}
      actions={
        <>
          <Button $kind="frame" onPress={undo} isDisabled={!canUndo}>
            Undo
          </Button>
          <Button $kind="main" onPress={() => void save()} isDisabled={wrong || saving}>
            {editing ? 'Save as a new version' : 'Save this unit'}
          </Button>
        </>
      }
    >
      <Shortcuts list={[{ key: 'ctrl+z', words: 'Take the last change back', run: undo }]} />
      {failure && <Problems failure={failure} />}
      <Two>
        <Stack>
          {resumed && (
            <Notice>
              This goes on where you left it.{' '}
              <Button $kind="quiet" $small onPress={startOver}>
                Start over
              </Button>
            </Notice>
          )}
          <Drawing unit={unit} />
          <Page>
            <Basics unit={unit} change={change} isNew={!editing} />
            <GearsetsForm unit={unit} change={change} />
            <ElementsForm unit={unit} change={change} />
            <ChartForm unit={unit} change={change} />
            <Currency value={currency}>
              <Lists unit={unit} change={change} />
            </Currency>
          </Page>
        </Stack>
        <Live unit={unit} check={check} behind={behind} />
      </Two>
    </LibraryFrame>
  );
}

/** The drawing as far as it can be made: a definition half entered may name what is not there yet. */
function Drawing({ unit }: { unit: UnitDefinition }) {
  if (unit.gearsets.length === 0) return null;
  return <UnitSection unit={unit} marks={NO_MARKS} />;
}
