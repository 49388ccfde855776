'use client';
import { Camera, ChevronDown, ChevronUp } from 'lucide-react';
import { memo, useState } from 'react';
import type { ReactNode } from 'react';
import { Button as AriaButton } from 'react-aria-components';
import styled from 'styled-components';
import type { Finding } from '@/core/case';
import { amountsOf, limitOf, measureOf } from '@/core/inspection';
import type { CataloguePoint, Subject, Tone } from '@/core/inspection';
import { useBench, useSlots } from '@/ui/job/provider';
import { Button } from '@/ui/system';
import { AmountsMatrix } from './amounts-field';
import { Glyph } from './glyph';
import { Levels } from './levels';
import { PhotosOf } from './photos';
import { PointItem } from './point';
import { Points } from './points';
import { quickPoint } from './quick';
import { summaryOf } from './summary';
import { useFinding } from './use-finding';
import { useInspection } from '@/ui/job/use-inspection';

const Line = styled.li<{ $tone: Tone | undefined }>`
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  align-content: start;
  border-bottom: 1px solid var(--rule);
  border-left: 5px ${(p) => (p.$tone === 'good' ? 'double' : 'solid')}
    ${(p) => (p.$tone ? `var(--${p.$tone})` : 'transparent')};
  &[data-open] input {
    background: var(--sheet);
  }
  &[data-open] {
    grid-column: 1 / -1;
    background: var(--inset);
    border-bottom: 2px solid var(--ink);
  }
`;
/** Answers that leave the name no room stand under it. */
const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: flex-end;
  gap: 0 6px;
  min-height: 50px;
  padding: 1px 0 1px 6px;
`;
const Opener = styled(AriaButton)`
  flex: 1 1 118px;
  min-width: 0;
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr) auto;
  align-items: center;
  gap: 8px;
  min-height: 48px;
  padding: 0 4px 0 0;
  border: 0;
  background: transparent;
  text-align: left;
  cursor: pointer;
  svg {
    color: var(--ink-soft);
  }
  b {
    display: block;
    font-weight: 600;
    line-height: 1.15;
    min-width: 108px;
    overflow-wrap: normal;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  b[data-weak]::after {
    content: ' weak point';
    font-weight: 400;
    font-size: 0.8125rem;
    color: var(--warn);
  }
  small {
    display: block;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
    font-size: 0.8125rem;
    color: var(--ink-soft);
  }
  &[data-hovered] b {
    text-decoration: underline;
  }
`;
const Body = styled.div`
  display: grid;
  gap: 8px;
  padding: 0 12px 10px 12px;
`;
/** Known to fail more than its peers. */
const WEAK = 1.3;

/** One thing to look at: its name and what is known of it, its grade at hand; opened, all its points. */
export const SubjectRow = memo(function SubjectRow(props: {
  subject: Subject;
  open: boolean;
  onOpen: (slot: string | null) => void;
  /** The picture that records it, drawn above its points. */
  picture?: ReactNode;
  /** Said in place of what was found. */
  said?: string;
}) {
  const { subject, open, onOpen, picture, said } = props;
  const inspection = useInspection();
  const { unit } = useBench();
  const stored = useSlots(`${subject.slot}.`) as [string, Finding][];
  const photos = useSlots('photo.').filter(([, p]) => isAbout(p.about, subject.slot)).length;
  const { words, tone } = summaryOf(inspection, subject, stored);
  const [file] = inspection.catalogue.filesFor(subject.head, subject.selectors).filter(ownFile(subject));
  const part = unit.parts.find((p) => subject.head === 'part' && p.id === subject.ids[0]);
  const asked = quickPoint(inspection, subject);
  // Said place by place in its picture, it is no more answered by one press.
  const byPlace = asked?.point.picture && stored.some(([rest]) => rest.startsWith(`${asked.point.id}.`));
  const quick = byPlace ? null : asked;
  return (
    <Line $tone={tone} data-subject={subject.slot} data-open={open || undefined}>
      <Head>
        <Opener
          aria-expanded={open}
          aria-label={`${subject.name}${words ? `: ${words}` : ''}`}
          onPress={() => onOpen(open ? null : subject.slot)}
        >
          <Glyph id={file?.glyph ?? 'mark'} />
          <span>
            <b data-weak={(part?.weakness ?? 0) > WEAK || undefined}>{subject.name}</b>
            <small>{said ?? words}</small>
          </span>
          <span style={{ display: 'flex', alignItems: 'center', gap: 4 }}>
            {photos > 0 && (
              <>
                <Camera size={15} aria-hidden />
                {photos}
              </>
            )}
            {open ? <ChevronUp size={18} aria-hidden /> : <ChevronDown size={18} aria-hidden />}
          </span>
        </Opener>
        {quick && !open && <Quick subject={subject} point={quick} />}
      </Head>
      {open && (
        <Body>
          {part?.note && <small>{part.note}</small>}
          {picture}
          <OpenPoints subject={subject} />
        </Body>
      )}
    </Line>
  );
});

const Asked = styled.span`
  display: flex;
  align-items: center;
  gap: 8px;
  > small {
    max-width: 66px;
    font-size: 0.75rem;
    font-stretch: 80%;
    line-height: 1.1;
    text-align: right;
    color: var(--ink-soft);
  }
`;

/** The point answered in the row; where it is not the thing's own condition, it is named. */
function Quick({ subject, point }: { subject: Subject; point: CataloguePoint }) {
  const handle = useFinding(subject, point.point.id);
  if (point.file.id === 'part') return <Levels quick point={point} handle={handle} label={subject.name} />;
  const asked = point.point.words;
  return (
    <Asked>
      <small>{asked}</small>
      <Levels quick point={point} handle={handle} label={`${subject.name}, ${asked.toLowerCase()}`} />
    </Asked>
  );
}

/**
 * Every point that has no place of its own: readings with a limit stand above the rows, faces in their picture, amounts
 * by place in one matrix. What is asked of everything is folded away until it says something.
 */
function OpenPoints({ subject }: { subject: Subject }) {
  const inspection = useInspection();
  const { unit } = useBench();
  const stored = useSlots(`${subject.slot}.`) as [string, Finding][];
  const points = [...inspection.points(subject).values()].filter(({ point }) => {
    const field = measureOf(point);
    if (!field || field.unit === '') return true;
    const limited = field.limit !== null && limitOf(unit, subject, field.limit) !== null;
    return point.when === 'limit' ? false : !limited;
  });
  const amounts = points.filter((p) => amountsOf(p.point));
  const matrix = amounts.length > 1 ? amounts : [];
  const ofAll = points.filter((p) => p.file.of[subject.head]?.includes('*') && p.file.of.element);
  const said = ofAll.some((p) => stored.some(([rest]) => rest.split('.')[0] === p.point.id));
  const [more, setMore] = useState(false);
  return (
    <>
      {matrix.length > 0 && <AmountsMatrix subject={subject} points={matrix} />}
      <Points>
        {points
          .filter((p) => !matrix.includes(p) && (said || more || !ofAll.includes(p)))
          .map((point) => (
            <PointItem key={point.key} subject={subject} point={point} />
          ))}
        <PhotosOf about={subject.slot} name={subject.name} />
        {ofAll.length > 0 && !said && !more && (
          <Button $kind="quiet" $small onPress={() => setMore(true)}>
            {ofAll.map((p, k) => (k ? p.point.words.toLowerCase() : p.point.words)).join(', ')} …
          </Button>
        )}
      </Points>
    </>
  );
}

/** A photo is about a subject, or about one of its findings. */
function isAbout(about: string, slot: string): boolean {
  return about === slot || about.startsWith(`${slot}.`);
}

const ownFile = (subject: Subject) => (file: { of: { [head: string]: string[] | undefined } }) =>
  !file.of[subject.head]?.includes('*') || subject.head === 'station' || subject.head === 'solenoid';
