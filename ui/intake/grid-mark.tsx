import { HEATS, SPEAKERS } from '@/core/case';
import type { Behaviour, GridGear, Heat, Speaker } from '@/core/case';
import { Caption } from '@/ui/system';

/** Cold points down, hot points up, any time is square; the customer's is an outline, the shop's is filled. */
const SHAPES: Record<Heat, string> = {
  any: 'M-5 -5H5V5H-5z',
  cold: 'M-6 -5H6L0 6z',
  hot: 'M-6 5H6L0 -6z',
};

function VoiceShape(props: { speaker: Speaker; heat: Heat; good?: boolean; x?: number; y?: number }) {
  const { speaker, heat, good, x = 0, y = 0 } = props;
  const colour = good ? 'var(--good)' : 'var(--bad)';
  return (
    <path
      d={SHAPES[heat]}
      transform={`translate(${x} ${y})`}
      fill={speaker === 'shop' ? colour : 'none'}
      stroke={colour}
      strokeWidth="1.8"
    />
  );
}

/** Everything said of one gear and one behaviour, whoever said it and at whatever heat. */
export function CellMarks({
  told,
  behaviour,
}: {
  told: Record<Speaker, GridGear | undefined>;
  behaviour: Behaviour;
}) {
  const marks = SPEAKERS.flatMap((speaker) =>
    HEATS.flatMap((heat) =>
      told[speaker]?.[heat]?.behaviours.includes(behaviour) ? [{ speaker, heat }] : [],
    ),
  );
  if (marks.length === 0)
    return (
      <svg width="12" height="12" viewBox="-6 -6 12 12" aria-hidden>
        <circle r="4.5" fill="none" stroke="var(--rule-strong)" />
      </svg>
    );
  const columns = marks.length > 2 ? 2 : marks.length;
  const width = columns * 16;
  const height = Math.ceil(marks.length / columns) * 15;
  return (
    <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} aria-hidden>
      {marks.map(({ speaker, heat }, k) => (
        <VoiceShape
          key={`${speaker} ${heat}`}
          speaker={speaker}
          heat={heat}
          good={behaviour === 'normal'}
          x={8 + (k % columns) * 16}
          y={7.5 + Math.floor(k / columns) * 15}
        />
      ))}
    </svg>
  );
}

/** What the marks mean, once. */
export function Legend() {
  const shapes: [Speaker, Heat, string][] = [
    ['customer', 'any', 'said'],
    ['shop', 'any', 'seen'],
    ['shop', 'cold', 'cold'],
    ['shop', 'hot', 'hot'],
  ];
  return (
    <Caption as="span" style={{ display: 'inline-flex', gap: 10, alignItems: 'center' }}>
      {shapes.map(([speaker, heat, words]) => (
        <span key={words} style={{ display: 'inline-flex', gap: 4, alignItems: 'center' }}>
          <svg width="15" height="15" viewBox="-7.5 -7.5 15 15" aria-hidden>
            <VoiceShape speaker={speaker} heat={heat} />
          </svg>
          {words}
        </span>
      ))}
    </Caption>
  );
}
