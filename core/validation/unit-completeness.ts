import { attachmentsOf, gearOutcome } from '@/core/powerflow';
import type { UnitDefinition } from '@/core/unit';
import type { Problem } from './problem';
import { Report } from './report';

/** Gaps that leave a usable unit less useful, and things that look like a slip of the pen. */
export function completenessWarnings(unit: UnitDefinition): Problem[] {
  const report = new Report();
  members(unit, report);
  elements(unit, report);
  gears(unit, report);
  if (unit.commonFeed.length === 0)
    report.add(
      '/commonFeed',
      'no part is named that all oil passes',
      'List filter, pump, regulator and manual valve, so that low pressure can be reasoned about.',
    );
  return report.problems;
}

function members(unit: UnitDefinition, report: Report): void {
  const modulated = new Set(
    unit.elements.filter((e) => e.application === 'modulated').flatMap((e) => [e.a, e.b]),
  );
  unit.members.forEach((m, k) => {
    if (attachmentsOf(unit, m.id).length === 1 && !modulated.has(m.id))
      report.add(
        `/members/${k}`,
        `"${m.id}" hangs on one thing only: it carries nothing`,
        'Join it to something, or remove it.',
      );
  });
}

function elements(unit: UnitDefinition, report: Report): void {
  unit.elements.forEach((e, k) => {
    const at = `/elements/${k}`;
    const friction = e.kind === 'clutch' || e.kind === 'brake' || e.kind === 'band';
    if (
      e.kind !== 'one-way' &&
      e.application !== 'modulated' &&
      !unit.gears.some((g) => g.apply.includes(e.id))
    )
      report.add(at, `"${e.id}" is applied in no gear`, 'Apply it somewhere in the chart, or remove it.');
    if (friction && !e.pack && !e.band)
      report.add(
        at,
        `"${e.id}" has neither plates nor band: no capacity is known`,
        'Give its pack or band for margins and burning order.',
      );
    if (e.kind === 'dog' && e.feedPath.length === 0)
      report.add(`${at}/feedPath`, 'nothing moves this dog', 'List the parts that shift it.');
    if (e.powerPath.length === 0)
      report.add(
        `${at}/powerPath`,
        'no part is named that carries its torque',
        'List drum, hub and shaft, so that a broken one can be suspected.',
      );
  });
}

function gears(unit: UnitDefinition, report: Report): void {
  const seen = new Map<string, string>();
  unit.gears.forEach((gear, k) => {
    const { ratio } = gearOutcome(unit, gear.key);
    if (ratio === null) return;
    const id = `${gear.range} ${ratio.toFixed(9)}`;
    const other = seen.get(id);
    if (other)
      report.add(`/gears/${k}/apply`, `${gear.key} has the ratio of ${other}`, 'Check the elements of both.');
    seen.set(id, gear.key);
  });
  const ratios = unit.gears
    .filter((g) => g.range === 'D' && g.gear !== null)
    .sort((a, b) => a.gear! - b.gear!)
    .map((g) => ({ key: g.key, ratio: Math.abs(gearOutcome(unit, g.key).ratio ?? 0) }));
  ratios.slice(1).forEach(({ key, ratio }, k) => {
    if (ratio > ratios[k]!.ratio)
      report.add(
        `/gears/${unit.gears.findIndex((g) => g.key === key)}`,
        `${key} is a lower gear than ${ratios[k]!.key}`,
        'Number the gears from the lowest up.',
      );
  });
}
