'use client';
import { useMemo, useState } from 'react';
import { Button as AriaButton } from 'react-aria-components';
import styled from 'styled-components';
import { valueOf } from '@/core/case';
import type { GridCell } from '@/core/case';
import { solveGear } from '@/core/powerflow';
import type { Fault } from '@/core/powerflow';
import type { Prediction, Suspect } from '@/core/suspects';
import { useJob, useReasoning } from '@/ui/job/provider';
import { BEHAVIOUR_WORDS, percent } from '@/ui/job/words';
import { marksOf, UnitStrip } from '@/ui/strip';
import type { DeviceMark } from '@/ui/strip';
import { Caption, Caution, Choice, Line, Page, Section, Stack } from '@/ui/system';
import { GearPicker, TorqueTable } from './bench';

const List = styled.ol`
  display: grid;
  gap: 2px;
`;
const Pick = styled(AriaButton)`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 130px 58px;
  align-items: center;
  gap: 14px;
  width: 100%;
  min-height: 44px;
  padding: 6px 12px;
  border: 0;
  border-left: 5px solid transparent;
  background: transparent;
  text-align: left;
  cursor: pointer;
  &[data-hovered] {
    background: var(--inset);
  }
  &[aria-pressed='true'] {
    background: var(--accent-wash);
    border-left-color: var(--accent);
  }
  b {
    font-weight: 650;
  }
  small {
    display: block;
    color: var(--ink-soft);
    font-size: 0.875rem;
    font-stretch: 92%;
  }
`;
const Bar = styled.span<{ $share: number }>`
  height: 9px;
  background: linear-gradient(90deg, var(--accent) ${(p) => p.$share * 100}%, var(--rule) 0);
`;
const Number = styled.span`
  text-align: right;
  font-weight: 700;
`;
const Compare = styled.table`
  border-collapse: collapse;
  width: 100%;
  th,
  td {
    text-align: left;
    padding: 7px 14px 7px 0;
    border-top: 1px solid var(--rule);
    vertical-align: top;
  }
  thead th {
    border-top: 0;
    font-weight: 500;
    color: var(--ink-soft);
    font-stretch: 92%;
    font-size: 0.9375rem;
  }
  tbody th {
    font-weight: 650;
  }
`;
const Paths = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 24px;
  h3 {
    font-size: 1rem;
    margin-bottom: 6px;
  }
  li {
    padding: 4px 0;
    border-top: 1px solid var(--rule);
  }
  small {
    color: var(--ink-soft);
  }
`;

/** Before a bolt is turned: what single faults would look like this complaint, and where to look first. */
export function Suspects() {
  const { unit, state } = useJob();
  const { reasoning } = useReasoning();
  const [chosen, setChosen] = useState<string | null>(null);
  const [gear, setGear] = useState(unit.gears.find((g) => g.gear === 1)?.key ?? unit.gears[0]!.key);
  const [tried, setTried] = useState<Fault | null>(null);
  const suspects = (reasoning?.suspects ?? []).filter((s, k) => k < 3 || s.probability >= 0.005);
  const suspect = suspects.find((s) => s.id === chosen) ?? suspects[0];
  const faults = useMemo(() => (tried ? [tried] : suspect ? [suspect.fault] : []), [tried, suspect]);
  const solution = useMemo(() => solveGear(unit, gear, faults), [unit, gear, faults]);
  const marks = useMemo(() => {
    const result: Record<string, DeviceMark> = Object.fromEntries(
      Object.entries(marksOf(unit, state)).map(([id, m]) => [id, { ...m, out: false }]),
    );
    if (suspect?.element) result[suspect.element] = { ...result[suspect.element], suspect: true };
    return result;
  }, [unit, state, suspect]);
  const step = (event: React.KeyboardEvent) => {
    const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
    if (!by) return;
    const at = unit.gears.findIndex((g) => g.key === gear);
    setGear(unit.gears[(at + by + unit.gears.length) % unit.gears.length]!.key);
  };
  return (
    <Stack $gap={14}>
      <UnitStrip
        unit={unit}
        marks={marks}
        solution={solution}
        onSelect={(d) => d.kind === 'element' && setTried(nextFault(tried, d.id))}
      />
      <Page>
        <Section
          title="Which faults would look like this"
          note="Every single fault, computed from the gearsets and fitted to the complaint grid alone."
        >
          {suspects.length === 0 ? (
            <p>Fill the complaint grid at Intake: with the first reported gear the suspects stand here.</p>
          ) : (
            <List>
              {suspects.slice(0, 6).map((s) => (
                <li key={s.id}>
                  <Pick
                    aria-pressed={s.id === suspect?.id}
                    onPress={() => {
                      setChosen(s.id);
                      setTried(null);
                    }}
                  >
                    <span>
                      <b>{s.name}</b>
                      <small>
                        {agreement(s)}
                        {s.alike.length > 0 && `; looks the same: ${s.alike.slice(0, 3).join(', ')}`}
                      </small>
                    </span>
                    <Bar $share={s.probability} />
                    <Number>{percent(s.probability)}</Number>
                  </Pick>
                </li>
              ))}
            </List>
          )}
        </Section>
        {suspect && (
          <Section title="Told and computed" note={suspect.name}>
            <Stack $gap={14}>
              {suspect.predictions.some((p) => p.kind === 'moves') && (
                <Caution>
                  It may drive in Neutral or Park: chock it, nobody in front or behind. Slope test only with
                  chocks and a spotter.
                </Caution>
              )}
              <Told suspect={suspect} />
            </Stack>
          </Section>
        )}
        {suspect && (suspect.feed.length > 0 || suspect.power.length > 0) && (
          <Section
            title="Look at first"
            note="What feeds and what carries the suspected element, the weak points on top."
          >
            <Paths>
              <PathList title="Feeds it" parts={suspect.feed} />
              <PathList title="Carries it" parts={suspect.power} />
            </Paths>
          </Section>
        )}
        <Section
          title="Powerflow"
          note="Arrow keys step through the gears. Press an element in the drawing to lose it, again to lock it."
        >
          <div onKeyDown={step}>
            <Stack $gap={14}>
              <GearPicker unit={unit} value={gear} onChange={setGear} />
              <Line>
                <Choice
                  label="Show"
                  value={tried ? 'tried' : 'suspect'}
                  onChange={(v) => v === 'suspect' && setTried(null)}
                  options={[
                    { value: 'suspect', label: suspect ? `With: ${suspect.name}` : 'As built' },
                    ...(tried && 'element' in tried
                      ? [
                          {
                            value: 'tried' as const,
                            label: `With: ${unit.elements.find((e) => e.id === tried.element)!.name} ${tried.kind}`,
                          },
                        ]
                      : []),
                  ]}
                />
              </Line>
              <TorqueTable unit={unit} gear={gear} faults={faults} />
            </Stack>
          </div>
        </Section>
      </Page>
    </Stack>
  );
}

/** Pressing an element again goes from lost to stuck to as suspected. */
function nextFault(now: Fault | null, element: string): Fault | null {
  if (!now || !('element' in now) || now.element !== element) return { kind: 'lost', element };
  return now.kind === 'lost' ? { kind: 'stuck', element } : null;
}

function agreement(s: Suspect): string {
  const agree = s.agree.length ? `agrees in ${s.agree.join(', ')}` : '';
  const disagree = s.disagree.length ? `disagrees in ${s.disagree.join(', ')}` : '';
  return [agree, disagree].filter(Boolean).join('; ') || 'nothing to compare';
}

function Told({ suspect }: { suspect: Suspect }) {
  const { unit, state } = useJob();
  return (
    <Compare>
      <thead>
        <tr>
          <th scope="col">Gear</th>
          <th scope="col">Told</th>
          <th scope="col">Computed with this fault</th>
          <th scope="col">Fit</th>
        </tr>
      </thead>
      <tbody>
        {suspect.predictions.map((p) => {
          const cell = valueOf<GridCell>(state, `grid.${p.gear}`);
          const fit = suspect.agree.includes(p.gear)
            ? 'yes'
            : suspect.disagree.includes(p.gear)
              ? 'no'
              : null;
          return (
            <tr key={p.gear}>
              <th scope="row">{p.gear}</th>
              <td>
                {cell ? (
                  `${cell.behaviours.map((b) => BEHAVIOUR_WORDS[b].toLowerCase()).join(', ')}${cell.source === 'shop' ? ' (verified)' : ''}`
                ) : (
                  <Caption as="span">not said</Caption>
                )}
              </td>
              <td>{predictionWords(p, (id) => unit.elements.find((e) => e.id === id)?.name ?? id)}</td>
              <td>
                <Fit fit={fit} />
              </td>
            </tr>
          );
        })}
      </tbody>
    </Compare>
  );
}

function Fit({ fit }: { fit: 'yes' | 'no' | null }) {
  if (fit === null) return null;
  return (
    <svg
      width="22"
      height="22"
      viewBox="0 0 22 22"
      role="img"
      aria-label={fit === 'yes' ? 'agrees' : 'disagrees'}
    >
      {fit === 'yes' ? (
        <>
          <circle cx="11" cy="11" r="9" fill="none" stroke="var(--good)" strokeWidth="2" />
          <path d="M7 11l3 4 5-8" fill="none" stroke="var(--good)" strokeWidth="2.2" />
        </>
      ) : (
        <>
          <rect x="2" y="2" width="18" height="18" fill="var(--bad)" />
          <path d="M7 7l8 8M15 7l-8 8" stroke="var(--sheet)" strokeWidth="2.4" />
        </>
      )}
    </svg>
  );
}

function predictionWords(p: Prediction, name: (id: string) => string): string {
  switch (p.kind) {
    case 'normal':
      return p.outcome === 'neutral' ? 'no drive, as it should be' : 'normal';
    case 'neutral':
      return 'no drive';
    case 'lower':
    case 'higher':
      return `pulls like ${p.actsLike ?? 'another gear'} (${p.ratio!.toFixed(2)})`;
    case 'moves':
      return `drives${p.actsLike ? ` like ${p.actsLike}` : ''}`;
    case 'slip':
      return 'slips';
    case 'no-braking':
      return 'pulls, no engine braking';
    case 'shudder':
      return 'shudders in lock-up';
    case 'tie-up':
      return `ties up: binds, bogs or stalls${p.weakest ? `; ${name(p.weakest).toLowerCase()} may slip` : ''}`;
  }
}

function PathList({ title, parts }: { title: string; parts: Suspect['feed'] }) {
  if (parts.length === 0) return null;
  return (
    <div>
      <h3>{title}</h3>
      <ul>
        {parts.slice(0, 6).map((part) => (
          <li key={part.id}>
            {part.name} {(part.weakness ?? 0) > 1.3 && <small>known weak point</small>}
          </li>
        ))}
      </ul>
    </div>
  );
}
