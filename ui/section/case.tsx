import type { Section } from './section';

/** The case: a hatched wall with bell housing and tail, around one axis or around all. */
export function Case({ section }: { section: Section }) {
  return section.parallel ? <Box section={section} /> : <HalfShell section={section} />;
}

function HalfShell({ section }: { section: Section }) {
  const { width, placed } = section;
  const axis = section.axes[0]!;
  const inner = axis.y - axis.wall;
  const outer = inner - 11;
  const bell = (placed.find((p) => p.device.kind === 'pump') ?? placed[0]!).x;
  const last = placed.at(-1)!;
  const tail = last.x + last.width + 2;
  const nose = axis.y - Math.min(axis.wall, axis.base + 34);
  return (
    <path
      d={`M2 ${outer + 3}H${bell - 6}L${bell} ${outer}H${tail - 4}L${tail + 14} ${nose - 10}H${width - 20}V${nose}H${tail + 8}L${tail - 10} ${inner}H${bell + 4}L${bell - 4} ${inner + 3}H2Z`}
      fill="url(#section-case)"
      stroke="var(--rule-strong)"
      strokeWidth={1.2}
    />
  );
}

function Box({ section }: { section: Section }) {
  const { width, height } = section;
  const bottom = height - 22;
  return (
    <path
      fillRule="evenodd"
      d={`M4 4H${width - 24}V${bottom}H4ZM14 14V${bottom - 10}H${width - 34}V14Z`}
      fill="url(#section-case)"
      stroke="var(--rule-strong)"
      strokeWidth={1.2}
    />
  );
}
