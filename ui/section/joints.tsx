import type { Fault } from '@/core/powerflow';
import type { Attachment, Part, UnitDefinition } from '@/core/unit';
import type { Joint, Section } from './section';

/** Joints that a part holds together: a crack where one is broken, and a place to touch to break it. */
export function JointMarks(props: {
  unit: UnitDefinition;
  section: Section;
  faults: Fault[];
  onBreak?: (part: string) => void;
}) {
  const { unit, section, onBreak } = props;
  const broken = new Set(props.faults.flatMap((f) => (f.kind === 'break' ? [f.part] : [])));
  const links = unit.parts.flatMap((part) => {
    const joint = part.splits && jointOf(section, part);
    return joint && (onBreak || broken.has(part.id)) ? [{ part, joint }] : [];
  });
  return links.map(({ part, joint }, k) => {
    const y = section.axes[joint.axis]!.y - joint.r;
    // Two parts at one joint stand beside each other.
    const beside = links.slice(0, k).filter((l) => l.joint === joint).length * 12;
    const press = onBreak && {
      role: 'button',
      tabIndex: 0,
      'aria-label': `${part.name}${broken.has(part.id) ? ', broken' : ''}`,
      onClick: () => onBreak(part.id),
      onKeyDown: (event: React.KeyboardEvent) => {
        if (event.key !== 'Enter' && event.key !== ' ') return;
        event.preventDefault();
        onBreak(part.id);
      },
    };
    return (
      <g key={part.id} transform={`translate(${joint.x} ${y - beside})`} {...press}>
        <title>{part.name}</title>
        {onBreak && <circle r={12} fill="transparent" />}
        {broken.has(part.id) ? (
          <g>
            <rect x={-7} y={-6} width={14} height={12} fill="var(--sheet)" />
            <path d="M-9 -4 -3 2 2 -3 9 4" fill="none" stroke="var(--bad)" strokeWidth={3} />
          </g>
        ) : (
          <rect
            x={-3.4}
            y={-3.4}
            width={6.8}
            height={6.8}
            fill="var(--sheet)"
            stroke="currentColor"
            strokeWidth={1.3}
          />
        )}
      </g>
    );
  });
}

/** Where a part's far side meets the drawing; a shaft end is found at the converter or the last column. */
export function jointOf(section: Section, part: Part): Joint | undefined {
  const { member, away } = part.splits!;
  const at = away.map((a) => section.joints.find((j) => j.member === member && meets(j, a))).find(Boolean);
  if (at) return at;
  const body = section.bodies.find((b) => b.member === member);
  if (!body || !away.some((a) => 'terminal' in a && a.terminal === 'output')) return undefined;
  return { device: 'output', member, role: 'hub', axis: body.axis, x: section.width - 26, r: 7 };
}

function meets(joint: Joint, attachment: Attachment): boolean {
  if ('element' in attachment) return joint.device === attachment.element;
  if ('terminal' in attachment) return attachment.terminal === 'input' && joint.role === 'turbine';
  if (joint.device !== attachment.gearset) return false;
  return joint.role === 'gear' || joint.role === attachment.gear;
}
