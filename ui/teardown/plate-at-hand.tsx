'use client';
import { useState } from 'react';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import { TAKEDOWN } from '@/core/case';
import type { Finding } from '@/core/case';
import { limitOf, measureOf, measureWords } from '@/core/inspection';
import type { Subject } from '@/core/inspection';
import type { Element } from '@/core/unit';
import { PointItem } from '@/ui/inspection/point';
import { Points } from '@/ui/inspection/points';
import { useFinding } from '@/ui/inspection/use-finding';
import { useInspection } from '@/ui/job/use-inspection';
import { useBench, useSlots } from '@/ui/job/provider';
import { Button, Caption, Line, NumberInput } from '@/ui/system';

const Field = styled.div`
  width: 230px;
  label {
    font-size: 0.8125rem;
    line-height: 1.2;
  }
  input {
    min-height: 44px;
  }
`;

const Said = styled.div`
  display: grid;
  justify-items: start;
  flex: 1 1 260px;
  button {
    max-width: 100%;
    margin-left: -10px;
    white-space: normal;
    text-align: left;
  }
`;
const OfPlate = styled(Points)`
  padding: 4px 0 0 10px;
  border-left: 3px solid var(--accent);
`;

interface Props {
  element: Element;
  plate: number;
  onPlate: (plate: number) => void;
}

/**
 * One plate of a pack: its thickness, and what is looked at on it besides its faces. The latter is folded away until
 * somebody asks, and then open from plate to plate; what was said of a plate is always shown with it. `children` is said
 * of the whole pack.
 */
export function PlateAtHand({ children, ...props }: Props & { children: ReactNode }) {
  const inspection = useInspection();
  const [asked, setAsked] = useState(false);
  const subject = inspection.subject('plate', [props.element.id, String(props.plate)])!;
  const stored = useSlots(`${subject.slot}.`) as [string, Finding][];
  const points = [...inspection.points(subject).values()].filter((p) => p.point.id !== 'thickness');
  const said = points.filter(({ point }) => stored.some(([rest]) => rest.split('.')[0] === point.id));
  const shown = asked ? points : said;
  return (
    <>
      <Line $gap={18}>
        <Thickness subject={subject} {...props} />
        <Said>
          <Caption role="status">{children}</Caption>
          <Button $kind="quiet" $small aria-expanded={asked} onPress={() => setAsked(!asked)}>
            {asked
              ? 'Fold the plate'
              : `${plateName(subject)}: ${points.map((p) => p.point.words.toLowerCase()).join(', ')} …`}
          </Button>
        </Said>
      </Line>
      {shown.length > 0 && (
        <OfPlate role="group" aria-label={subject.name}>
          {shown.map((point) => (
            <PointItem key={`${subject.slot} ${point.key}`} subject={subject} point={point} />
          ))}
        </OfPlate>
      )}
    </>
  );
}

/** "Steel 1" of "High clutch, steel 1". */
function plateName(subject: Subject): string {
  const name = subject.name.split(', ')[1]!;
  return name.charAt(0).toUpperCase() + name.slice(1);
}

/** Thickness of the plate at hand; Enter goes on to the next plate. */
function Thickness(props: Props & { subject: Subject }) {
  const { subject, element, plate, onPlate } = props;
  const inspection = useInspection();
  const { keepName } = useBench();
  const [walking, setWalking] = useState(false);
  const handle = useFinding(subject, 'thickness');
  const point = inspection.points(subject).get('thickness');
  const field = point && measureOf(point.point);
  if (!field) return null;
  const limit = field.limit && limitOf(inspection.unit, subject, field.limit);
  const order = element.pack!.order;
  const next = order.findIndex((kind, k) => k > plate && kind !== 'wave');
  const is = handle.finding?.is;
  return (
    <Field>
      <NumberInput
        key={plate}
        label={`Thickness, ${subject.name.split(', ')[1]}`}
        unit={field.unit}
        min={field.min}
        max={field.max}
        pause
        reading
        autoFocus={walking}
        keep={keepName(handle.slot)}
        value={typeof is === 'number' ? is : undefined}
        description={is === TAKEDOWN ? 'Damaged by us' : measureWords(limit, field.unit)}
        onChange={(v) => handle.say(v)}
        onEnter={() => {
          setWalking(true);
          if (next >= 0) onPlate(next);
        }}
      />
    </Field>
  );
}
