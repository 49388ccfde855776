import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { answer } from './commands';

const root = path.resolve(__dirname, '..');
const unitFile = 'data/units/ostrel-four.json';
const folder = mkdtempSync(path.join(tmpdir(), 'pelvik-tools-'));
afterAll(() => rmSync(folder, { recursive: true }));

// `./pelvik test` hands over a file that starts without a compiler; by itself this runs what `./pelvik` runs.
const tools = process.env.PELVIK_TOOLS ? [process.env.PELVIK_TOOLS] : ['--import', 'tsx', 'cli/main.ts'];

/** A command line carried out here, without a process of its own: starting one takes longer than most answers. */
async function pelvik(...args: string[]) {
  const written = { out: '', err: '' };
  const into = (where: 'out' | 'err') => (text: string | Uint8Array) => {
    written[where] += String(text);
    return true;
  };
  const spies = [
    jest.spyOn(process.stdout, 'write').mockImplementation(into('out')),
    jest.spyOn(process.stderr, 'write').mockImplementation(into('err')),
  ];
  const code = await answer(args).finally(() => spies.forEach((spy) => spy.mockRestore()));
  return { code, ...written, json: () => JSON.parse(written.out) };
}
const file = (name: string, content: string) => {
  const place = path.join(folder, name);
  mkdirSync(path.dirname(place), { recursive: true });
  writeFileSync(place, content);
  return place;
};

describe('unit', () => {
  test('check prints the table as JSON', async () => {
    const { code, json } = await pelvik('unit', 'check', unitFile, '--json');
    expect(code).toBe(0);
    const d2 = json().gears.find((g: { key: string }) => g.key === 'D2');
    expect(d2).toMatchObject({
      outcome: 'drive',
      ratio: 1.637301587,
      elements: { forward: 1, 'band-2-4': 0.637301587 },
      holding: ['input-owc'],
      coast: 'freewheel',
      parkPawl: 'free',
    });
  });
  test('check names every error with pointer and remedy and ends with 1', async () => {
    const { code, json } = await pelvik('unit', 'check', 'package.json', '--json');
    expect(code).toBe(1);
    expect(json()).toMatchObject({ ok: false });
    for (const e of json().errors) expect(Object.keys(e).sort()).toEqual(['message', 'pointer', 'remedy']);
  });
  test('fault shows slips with what the gear falls to', async () => {
    const { json } = await pelvik('unit', 'fault', unitFile, '--slip', 'high=250', '--json');
    const d4 = json().gears.find((g: { key: string }) => g.key === 'D4');
    expect(d4).toMatchObject({ outcome: 'slip', slipping: 'high', fallsTo: { outcome: 'drive' } });
  });
  test('check adds margins, both burning orders, what turns and what the teeth carry', async () => {
    const { json } = await pelvik('unit', 'check', 'data/units/ostrel-eight.json', '--json');
    const answer = json();
    expect(answer.burningOrder.lowPressure.slice(0, 3)).toEqual(['K2', 'K3', 'B1']);
    expect(answer.margins[0]).toMatchObject({ element: 'K2', gear: 'R' });
    expect(answer.warnings).toEqual([]);
    const turning = (key: string) =>
      answer.gears.find((g: { key: string }) => g.key === key).turning['P1-pinion'];
    expect([turning('D2'), turning('D6')]).toEqual([0, 0]);
    expect(Math.abs(turning('D3'))).toBeGreaterThan(1);
  });
  test('check reports a split that is not determined beside the figures', async () => {
    const l1 = (await pelvik('unit', 'check', unitFile, '--json'))
      .json()
      .gears.find((g: { key: string }) => g.key === 'L1');
    expect(l1.elements['low-reverse']).toBeCloseTo(2.085714, 6);
    expect(l1.split).toEqual(expect.arrayContaining(['low-reverse', 'low-owc']));
  });
  test('fault says what hangs on each side of a broken part, and who fights in a tie-up', async () => {
    const broken = (
      await pelvik('unit', 'fault', 'data/units/ostrel-six.json', '--break', 'k2-drum', '--json')
    ).json();
    expect(broken.broken[0]).toMatchObject({ part: 'k2-drum', member: 'C1', away: [{ element: 'K2' }] });
    const stuck = (
      await pelvik('unit', 'fault', 'data/units/hadric-five.json', '--stuck', 'C4R', '--json')
    ).json();
    const gear = (key: string) => stuck.gears.find((g: { key: string }) => g.key === key);
    expect(gear('P')).toMatchObject({ outcome: 'drive', parkPawl: 'driven' });
    expect(gear('D1')).toMatchObject({ outcome: 'tie-up', fight: { weakest: 'C1', feel: 'stalls' } });
    expect(gear('R')).toMatchObject({ outcome: 'drive' });
  });
  test('a stripped set leaves the gears that need it without drive', async () => {
    const { out } = await pelvik('unit', 'fault', 'data/units/ostrel-six.json', '--strip', 'front');
    expect(out).toMatch(/^D1 {2}neutral/m);
    expect(out).toMatch(/^D6 {2}drive/m);
  });
  test('a hostile file ends with one clear error', async () => {
    const deep = file('deep.json', `${'['.repeat(200_000)}${']'.repeat(200_000)}`);
    const wide = file(
      'wide.json',
      JSON.stringify({ format: 'pelvik-unit/1', parts: new Array(300_000).fill({}) }),
    );
    for (const place of [deep, wide]) {
      const { code, err, out } = await pelvik('unit', 'check', place);
      expect(code).toBe(1);
      expect(`${out}${err}`).toMatch(/nested|holds more than|not JSON/);
      expect(`${out}${err}`).not.toContain('    at ');
    }
  });
  test('fault takes several faults and a torque', async () => {
    const { json } = await pelvik(
      'unit',
      'fault',
      unitFile,
      '--lost',
      'high',
      '--stuck',
      'band-2-4',
      '--torque',
      '100',
      '--json',
    );
    expect(json().gears.find((g: { key: string }) => g.key === 'D1').ratio).toBeCloseTo(1.637302, 6);
  });
  test.each([
    [['unit', 'fault', unitFile, '--lost', 'ghost'], 1],
    [['unit', 'fault', unitFile, '--slip', 'high'], 2],
    [['unit', 'fault', unitFile], 2],
    [['unit', 'check'], 2],
    [['unit', 'check', 'no-such-file.json'], 2],
    [['unit', 'melt', unitFile], 2],
    [['nonsense'], 2],
    [['diagnose', 'README.md'], 1],
  ])('%j ends with %i and one clear line', async (args, code) => {
    const done = await pelvik(...(args as string[]));
    expect(done.code).toBe(code);
    expect(done.err).toMatch(/^pelvik: /);
    expect(done.err).not.toContain('    at ');
  });
  test('every command has help', async () => {
    for (const name of ['demo', 'dev', 'test', 'bench', 'backup', 'restore', 'unit', 'diagnose', 'quote']) {
      const { code, out } = await pelvik(name, '--help');
      expect({ name, code }).toEqual({ name, code: 0 });
      expect(out).toContain(`./pelvik ${name}`);
    }
  });
});

describe('case files judged as an honest builder would', () => {
  const sum = (
    causes: { element: string | null; part: string | null; probability: number }[],
    has: (c: { element: string | null; part: string | null }) => boolean,
  ) => causes.filter(has).reduce((s, c) => s + c.probability, 0);

  test('a band that lets go: not the solenoid the code names', async () => {
    const before = (
      await pelvik('diagnose', 'tests/cases/band-lets-go.json', '--until', 'suspects', '--json')
    ).json();
    expect(sum(before.causes, (c) => c.element === 'band-2-4')).toBeGreaterThan(0.5);
    expect(sum(before.causes, (c) => c.part?.startsWith('solenoid') ?? false)).toBeLessThan(0.1);
    expect(before.undetermined).toBe(true);
    const after = (await pelvik('diagnose', 'tests/cases/band-lets-go.json', '--json')).json();
    expect(after.causes[0]).toMatchObject({
      id: 'servo-retaining-ring:feed-loss',
      part: 'servo-retaining-ring',
      element: 'band-2-4',
    });
    const quote = (
      await pelvik('quote', 'tests/cases/band-lets-go.json', '--date', '2026-03-02', '--json')
    ).json();
    const keys = quote.scope.lines.map((l: { key: string }) => l.key);
    expect(keys).toEqual(
      expect.arrayContaining(['part-servo-retaining-ring', 'part-band', 'part-reverse-drum']),
    );
    expect(keys.filter((k: string) => k.includes('solenoid') || k.includes('converter'))).toEqual([]);
    expect(quote.options.length).toBeGreaterThanOrEqual(2);
  });

  test('a clutch welded on, seen only as bogging in Reverse', async () => {
    const before = (
      await pelvik('diagnose', 'tests/cases/forward-welded.json', '--until', 'intake', '--json')
    ).json();
    expect(before.causes[0].element).toBe('forward');
    const after = (await pelvik('diagnose', 'tests/cases/forward-welded.json', '--json')).json();
    expect(after.causes[0].id).toBe('forward:welded');
  });

  test('a converter lining lost: open it first, then scope it and leave the packs alone', async () => {
    const before = (
      await pelvik('diagnose', 'tests/cases/converter-lining.json', '--until', 'teardown', '--json')
    ).json();
    expect(before.causes[0]).toMatchObject({ part: 'converter', mode: 'lining-lost' });
    expect(before.nextChecks[0].check).toBe('open-converter');
    const { scope } = (await pelvik('quote', 'tests/cases/converter-lining.json', '--json')).json();
    const keys = scope.lines.map((l: { key: string }) => l.key);
    expect(keys).toEqual(expect.arrayContaining(['part-converter', 'part-filter', 'labour-cooler-flush']));
    expect(keys.filter((k: string) => k.endsWith('-frictions') || k === 'labour-overhaul')).toEqual([]);
  });

  test('a folder of cases is judged in one process, and --explain prints the ledger', async () => {
    const two = ['third-falls-to-first.json', 'one-burnt-band.json'];
    const places = two.map((n) => file(`two/${n}`, readFileSync(path.join(root, 'tests/cases', n), 'utf8')));
    const all = (await pelvik('diagnose', path.dirname(places[0]!), '--json')).json();
    expect(Object.keys(all).sort()).toEqual([...two].sort());
    expect(all['third-falls-to-first.json'].causes[0].id).toBe('intermediate-piston-seals:feed-loss');
    const explained = (await pelvik('diagnose', 'tests/cases/third-falls-to-first.json', '--explain')).out;
    expect(explained).toMatch(/For and against: Intermediate piston seals torn/);
    expect(explained).toMatch(/\+\d\.\d\d {2}Intermediate piston seals: failed/);
    expect(await pelvik('diagnose', 'docs/screenshots')).toMatchObject({ code: 1 });
  });

  test('of a folder what cannot be read is named, and the rest is judged all the same', async () => {
    const folder = path.dirname(file('folder/cut.json', '{"format":'));
    file('folder/good.json', readFileSync(path.join(root, 'tests/cases/one-burnt-band.json'), 'utf8'));
    const made = await pelvik('diagnose', folder, '--json');
    expect(made.code).toBe(1);
    expect(Object.keys(made.json())).toEqual(['good.json']);
    expect(made.err).toContain('cut.json is not JSON');
  });

  test('a cut-off case and an unknown slot are named with their place', async () => {
    expect(await pelvik('diagnose', file('cut.json', '{"format":'))).toMatchObject({ code: 1 });
    const bad = await pelvik(
      'diagnose',
      file(
        'bad.json',
        '{"format":"pelvik-case/1","unit":"ostrel-four","findings":[{"slot":"x.y","value":1}]}',
      ),
    );
    expect(bad.code).toBe(1);
    expect(bad.err).toContain('/findings/0');
  });
});

describe('every command', () => {
  const commands = 'demo dev test bench backup restore unit diagnose quote mutate trials audit'.split(' ');
  test.each(commands)('%s refuses an option it does not know, and does nothing', async (command) => {
    const done = await pelvik(command, '--bogus');
    expect(done).toMatchObject({ code: 2, out: '', err: expect.stringMatching(/^pelvik: .+\n$/) });
    expect(existsSync(path.join(root, '--bogus'))).toBe(false);
  });
  test('ends its process with its code, after all it has to say', () => {
    const program = (...args: string[]) =>
      spawnSync(process.execPath, [...tools, ...args], { cwd: root, encoding: 'utf8' });
    expect(program('unit', '--help')).toMatchObject({ status: 0, stderr: '' });
    const wrong = program('unit', 'check', 'package.json', '--json');
    expect(wrong.status).toBe(1);
    expect(JSON.parse(wrong.stdout)).toMatchObject({ ok: false });
    expect(program('nonsense')).toMatchObject({
      status: 2,
      stdout: '',
      stderr: expect.stringMatching(/^pelvik: /),
    });
  });
});

test('JSON of more than a pipe holds arrives whole, however slowly it is read', async () => {
  const findings = Array.from({ length: 150 }, (_, k) => ({
    slot: `scope.line.own-${k}`,
    value: { change: 'add', name: `Own line ${k}`, price: 100, reason: 'r'.repeat(400) },
  }));
  const wide = file('wide.json', JSON.stringify({ format: 'pelvik-case/1', unit: 'ostrel-four', findings }));
  const child = spawn(process.execPath, [...tools, 'quote', wide, '--json'], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'ignore'],
  });
  const ended = new Promise((resolve) => child.once('exit', resolve));
  await new Promise((resolve) => setTimeout(resolve, 2500));
  let text = '';
  for await (const chunk of child.stdout) text += String(chunk);
  await ended;
  expect(text.length).toBeGreaterThan(65_536);
  expect(() => JSON.parse(text)).not.toThrow();
});
