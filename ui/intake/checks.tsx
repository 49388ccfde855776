'use client';
import styled from 'styled-components';
import { PointItem } from '@/ui/inspection/point';
import { useInspection } from '@/ui/job/use-inspection';

const Grid = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(250px, 100%), 1fr));
  gap: 10px 22px;
`;

/** Every point of a whole-unit matter that is asked before the unit comes out. */
export function Topic({ topic }: { topic: string }) {
  const inspection = useInspection();
  const subject = inspection.subject('unit', [topic]);
  if (!subject) return null;
  return (
    <Grid>
      {[...inspection.points(subject).values()].map((point) => (
        <PointItem key={point.key} subject={subject} point={point} />
      ))}
    </Grid>
  );
}
