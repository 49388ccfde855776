import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

const ROOT = path.resolve(__dirname, '..');
const TOP = ['app', 'cli', 'core', 'data', 'server', 'stand-ins', 'ui', 'workers'];

/** The rooms of the house: folders of `core` and `ui`, and the others as they stand. */
const roomOf = (file: string) =>
  file
    .split('/')
    .slice(0, /^(core|ui)\//.test(file) ? 2 : 1)
    .join('/');

/** Room → the rooms it imports from, tests left out. */
function imports(): Map<string, Set<string>> {
  const rooms = new Map<string, Set<string>>();
  for (const top of TOP)
    for (const name of readdirSync(path.join(ROOT, top), { recursive: true, encoding: 'utf8' })) {
      const file = `${top}/${name}`;
      if (!/\.tsx?$/.test(file) || /\.test\.tsx?$/.test(file)) continue;
      const room = roomOf(file);
      const seen = rooms.get(room) ?? new Set();
      rooms.set(room, seen);
      const text = readFileSync(path.join(ROOT, file), 'utf8');
      for (const [, from] of text.matchAll(/(?:from|import\()\s*'@\/([^']+)'/g))
        if (roomOf(from!) !== room) seen.add(roomOf(from!));
    }
  return rooms;
}

test('imports between rooms go one way', () => {
  const rooms = imports();
  expect(rooms.size).toBeGreaterThan(30);
  const circles: string[] = [];
  const done = new Set<string>();
  const walk = (room: string, trail: readonly string[]) => {
    if (trail.includes(room)) circles.push([...trail.slice(trail.indexOf(room)), room].join(' → '));
    if (trail.includes(room) || done.has(room)) return;
    for (const next of rooms.get(room) ?? []) walk(next, [...trail, room]);
    done.add(room);
  };
  // What is told by the server to the rest of the world stands in the application's own pages.
  for (const room of rooms.keys()) walk(room, []);
  expect(circles).toEqual([]);
});

test('the core knows nothing of interface, server or files', () => {
  for (const [room, from] of imports())
    if (room.startsWith('core/'))
      expect([room, [...from].filter((r) => !/^(core\/|docs$)/.test(r))]).toEqual([room, []]);
});
