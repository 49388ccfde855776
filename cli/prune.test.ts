import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { prune } from './prune';

test('the oldest daily backups go, of that database alone, and nothing that only looks like one', () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'pelvik-backups-'));
  const days = ['2026-01-31', '2026-02-01', '2026-02-02', '2025-12-31'];
  const others = [
    'pelvik_shop-2026-01-01.backup.new',
    'pelvik_shop-old.backup',
    'pelvik_demo-2020-01-01.backup',
  ];
  const daily = days.map((day) => `pelvik_shop-${day}.backup`);
  for (const name of [...daily, ...others]) writeFileSync(path.join(folder, name), '');
  try {
    expect(prune(folder, 'pelvik_shop', 2)).toBe(2);
    expect(readdirSync(folder).sort()).toEqual([...others, daily[1], daily[2]].sort());
    expect(prune(folder, 'pelvik_shop', 2)).toBe(0);
  } finally {
    rmSync(folder, { recursive: true });
  }
});
