import type { UnitDefinition } from '@/core/unit';

const LISTS: Record<string, string> = {
  members: 'Members',
  gearsets: 'Gearsets',
  elements: 'Elements',
  gears: 'Gears',
  bearings: 'Bearings',
  solenoids: 'Solenoids',
  sensors: 'Sensors',
  stations: 'Takedown',
  parts: 'Parts',
  labour: 'Labour',
  variants: 'Variants',
  specs: 'Limits',
};

/** A pointer as people find it on the page: "/elements/2/feedPath" → "Elements, Clutch 1: feedPath". */
export function placeOf(unit: UnitDefinition, pointer: string): string {
  const [list, at, ...rest] = pointer.split('/').slice(1);
  const title = list ? LISTS[list] : undefined;
  if (!list || !title) return pointer.slice(1).replaceAll('/', ', ') || 'The whole unit';
  const row = (unit as unknown as Record<string, { name?: string; key?: string }[]>)[list]?.[Number(at)];
  const name = row && (row.key ?? row.name);
  return [title, name].filter(Boolean).join(', ') + (rest.length ? `: ${rest.join(' ')}` : '');
}
