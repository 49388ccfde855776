'use client';
import { memo, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import type { Hit, Subject } from '@/core/inspection';
import type { Station, UnitDefinition } from '@/core/unit';
import { BenchTemperature } from '@/ui/inspection/bench-warmth';
import { Readings, readingsAt } from '@/ui/inspection/readings';
import { SubjectRow } from '@/ui/inspection/row';
import { useInspection } from '@/ui/job/use-inspection';
import { useBench, useJob, useSlot } from '@/ui/job/provider';
import { Button, later, Missed, Shortcuts, useLater, useWhenQuiet } from '@/ui/system';
import { Find } from './find';
import { FoundBefore } from './found-before';
import { packSaid } from './pack-said';
import type * as Pictures from './pictures';
import { RestSound } from './rest-sound';
import { TrapList } from './trap-list';

/** Packs, bands and planetaries are painted on pictures: these come with the first of them, or once the page is quiet. */
const pictures = later(() => import('./pictures'));

const Sheet = styled.section`
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
  padding: 0 18px 8px;
  @media (max-width: 600px) {
    padding: 0 10px 12px;
  }
`;
const Head = styled.header`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
  padding: 4px 0;
  border-bottom: 1px solid var(--rule);
  h2 {
    font-size: 1.25rem;
    line-height: 1.2;
  }
  hgroup {
    flex: 1 1 200px;
  }
  p {
    font-size: 0.875rem;
    line-height: 1.25;
    color: var(--ink-soft);
  }
`;
const Rows = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(410px, 100%), 1fr));
  grid-auto-flow: dense;
  column-gap: 18px;
`;
/** As much room as a picture takes, so that nothing jumps when it comes. */
const PictureRoom = styled.div<{ $pack?: boolean }>`
  height: ${(p) => (p.$pack ? 386 : 192)}px;
`;
const SmallParts = styled.li`
  grid-column: 1 / -1;
  display: grid;
  justify-items: start;
  button {
    max-width: 100%;
    white-space: normal;
    text-align: left;
  }
`;
const Foot = styled.footer`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 12px;
  padding-top: 4px;
  > p {
    flex: 1 1 170px;
    font-size: 0.8125rem;
    line-height: 1.25;
    color: var(--ink-soft);
  }
`;

/** What the person asked for: it lies open, and the keys go on there. */
export interface Sought {
  subject: Subject;
  point: string | null;
  /** Told apart from being sought before. */
  time: number;
}

const REACHED = 'input, button:not([aria-pressed]), [role=radio], [role=application]';

function focusOn({ subject, point }: Sought): void {
  const row = document.querySelector<HTMLElement>(`[data-subject="${subject.slot}"]`);
  const place = point ? document.querySelector<HTMLElement>(`[data-point="${subject.slot}.${point}"]`) : null;
  // What is painted in a picture has no field of its own: the keys go on in the picture.
  const field = place?.querySelector<HTMLElement>(REACHED);
  const drawn = point ? row?.querySelector<HTMLElement>('[role=application]') : null;
  (field ?? drawn ?? row?.querySelector<HTMLElement>(REACHED))?.focus({ preventScroll: true });
  ((field ? place : drawn) ?? row)?.scrollIntoView({ block: 'center' });
}

/** Rows a station shows before what nothing hangs on is folded away. */
const MANY = 14;

/** What carries, feeds or has an editor of its own; and small parts, which are looked at and seldom tell anything. */
function sorted(unit: UnitDefinition, rows: readonly Subject[]): { main: Subject[]; small: Subject[] } {
  if (rows.length <= MANY) return { main: [...rows], small: [] };
  const paths = new Set([
    ...unit.elements.flatMap((e) => [...e.feedPath, ...e.powerPath, e.part, e.drumPart]),
    ...unit.bearings.map((b) => b.part),
    ...unit.commonFeed,
    unit.converter.part,
  ]);
  // A sensor that no metal gathers on is asked about when it is suspected.
  const isMain = (s: Subject) =>
    (s.head === 'sensor' ? !s.selectors.includes('temperature') : s.head !== 'part') ||
    paths.has(s.ids[0]!) ||
    unit.parts.some((p) => p.id === s.ids[0] && p.splits);
  return { main: rows.filter(isMain), small: rows.filter((s) => !isMain(s)) };
}

/** The first few names of what is folded away. */
function namesOf(subjects: readonly Subject[]): string {
  const shown = subjects.slice(0, 3).map((s) => s.name);
  return `${shown.join(', ')}${subjects.length > shown.length ? ' …' : ''}`;
}

/** Rows of a station that leave room for an open one. */
const ROOM = 8;

/** One station: its traps, its readings, and a row for each thing that comes out with it. */
export const StationSheet = memo(function StationSheet(props: {
  station: Station;
  next: Station | null;
  onNext: () => void;
  onFind: (hit: Hit) => void;
  sought: Sought | null;
}) {
  const { station, next, onNext, sought } = props;
  const { write, unit } = useBench();
  const inspection = useInspection();
  const rows = inspection.rows(station.id);
  const readings = useMemo(() => readingsAt(inspection, rows), [inspection, rows]);
  const out = useSlot(`station.${station.id}.out`) === true;
  const warm = rows.some((s) =>
    [...inspection.points(s).values()].some((p) => p.point.ask?.includes('temperatureC')),
  );
  // Where there is room the first pack lies open.
  const [open, setOpen] = useState<string | null>(
    sought?.subject.slot || (rows.length <= ROOM && rows.find((s) => s.head === 'element')?.slot) || null,
  );
  const { main, small } = useMemo(() => sorted(unit, rows), [unit, rows]);
  const [unfolded, setUnfolded] = useState(small.some((s) => s.slot === sought?.subject.slot));
  useEffect(() => {
    if (sought) focusOn(sought);
  }, [sought]);
  // Once more when its picture has come, which may be later; not each time the row is opened again.
  const drawnFor = useRef<Sought | null>(null);
  const shown = useCallback(() => {
    if (sought && drawnFor.current !== sought) focusOn(sought);
    drawnFor.current = sought;
  }, [sought]);
  useWhenQuiet(pictures);
  const takeOut = () => write(`station.${station.id}.out`, out ? null : true);
  const outAndNext = () => {
    if (!out) takeOut();
    onNext();
  };
  const row = (subject: Subject) => (
    <StationRow
      key={subject.slot}
      subject={subject}
      open={open === subject.slot}
      onOpen={setOpen}
      onShown={subject.slot === sought?.subject.slot ? shown : undefined}
    />
  );
  return (
    <Sheet aria-label={station.name}>
      <Head>
        <hgroup>
          <h2>
            {station.order}. {station.name}
          </h2>
          {station.tools.length > 0 && <p>{station.tools.join(', ')}</p>}
        </hgroup>
        <Find onFind={props.onFind} />
        {warm && <BenchTemperature />}
        <Button $kind={out ? 'plain' : 'main'} onPress={takeOut}>
          {out ? 'Out: put back' : 'It is out'}
        </Button>
      </Head>
      <FoundBefore station={station.id} />
      <TrapList station={station} out={out} />
      <Readings readings={readings} />
      <Rows>
        {main.map(row)}
        {small.length > 0 && (
          <SmallParts>
            <Button $kind="quiet" aria-expanded={unfolded} onPress={() => setUnfolded(!unfolded)}>
              {unfolded ? 'Fold the small parts' : `Small parts (${small.length}): ${namesOf(small)}`}
            </Button>
          </SmallParts>
        )}
        {unfolded && small.map(row)}
      </Rows>
      <Foot>
        <RestSound rows={rows} />
        <Button $kind="main" onPress={outAndNext} isDisabled={!next && out}>
          {out ? 'Next' : 'Out'}
          {next ? `${out ? '' : ', next'}: ${next.name}` : ''}
        </Button>
        <p>Limits are the shop’s until the unit’s own manual replaces them.</p>
      </Foot>
      <Shortcuts
        list={[
          { key: 'o', words: 'The station is out, or put back', run: takeOut },
          { key: 'n', words: 'Out, and on to the next station', run: outAndNext },
        ]}
      />
    </Sheet>
  );
});

function StationRow(props: {
  subject: Subject;
  open: boolean;
  onOpen: (slot: string | null) => void;
  /** Its picture is there. */
  onShown?: () => void;
}) {
  const { subject, open, onOpen } = props;
  const { unit } = useBench();
  const inspection = useInspection();
  const element = subject.head === 'element' ? unit.elements.find((e) => e.id === subject.ids[0]) : undefined;
  const drawn = useMemo(
    () => [...inspection.points(subject).values()].filter((p) => p.point.picture),
    [inspection, subject],
  );
  if (!element?.pack)
    return (
      <SubjectRow
        subject={subject}
        open={open}
        onOpen={onOpen}
        picture={
          open &&
          drawn.length > 0 && (
            <Picture
              draw={({ PlacePicture }) => (
                <PlacePicture subject={subject} points={drawn} onShown={props.onShown} />
              )}
            />
          )
        }
      />
    );
  return <PackRow subject={subject} open={open} onOpen={onOpen} />;
}

/** A pack says of itself how much was looked at, and how it looks. */
function PackRow(props: { subject: Subject; open: boolean; onOpen: (slot: string | null) => void }) {
  const { subject, open, onOpen } = props;
  const { state, unit } = useJob();
  const inspection = useInspection();
  const element = unit.elements.find((e) => e.id === subject.ids[0])!;
  return (
    <SubjectRow
      subject={subject}
      open={open}
      onOpen={onOpen}
      picture={open && <Picture pack draw={({ PackEditor }) => <PackEditor element={element} />} />}
      said={packSaid(inspection, state, element)}
    />
  );
}

/** A picture to paint on, or the room for it while it comes. */
function Picture({ pack, draw }: { pack?: boolean; draw: (from: typeof Pictures) => ReactNode }) {
  const { piece, problem, retry } = useLater(pictures);
  if (piece) return draw(piece);
  return <PictureRoom $pack={pack}>{problem !== null && <Missed retry={retry} />}</PictureRoom>;
}
