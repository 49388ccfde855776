import { readFileSync } from 'node:fs';
import path from 'node:path';
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { OURS, signIn } from './helpers';

/** Counts what a person would do: a press, a choice or a number typed. */
class Hands {
  actions = 0;
  constructor(private readonly page: Page) {}
  async press(name: string) {
    this.actions++;
    await this.page.getByRole('button', { name, exact: true }).click();
  }
  async fill(group: string, label: string, value: string) {
    this.actions++;
    await this.page.getByRole('group', { name: group }).getByLabel(label).fill(value);
  }
  async choose(group: string, label: string, option: string) {
    this.actions++;
    await this.page
      .getByRole('group', { name: group, exact: true })
      .getByLabel(label, { exact: true })
      .selectOption({ label: option });
  }
}

test('a new user enters a three-speed of their own, with the ratios beside it, in under sixty actions', async ({
  page,
}) => {
  await signIn(page, 'mira');
  await page.goto('/');
  const hands = new Hands(page);
  await page.getByRole('link', { name: 'Units' }).click();
  await page.getByRole('link', { name: 'New unit' }).click();
  hands.actions += 2;
  await page
    .getByLabel('Name', { exact: true })
    .first()
    .fill(`Tarrow Three ${Date.now() % 100000}`);
  hands.actions++;
  await hands.press('Add a planetary set');
  await hands.press('Add a planetary set');
  for (const n of [1, 2]) {
    await hands.fill(`Planetary ${n}`, 'Sun teeth', '28');
    await hands.fill(`Planetary ${n}`, 'Ring teeth', '62');
  }
  await hands.choose('Planetary 1', 'Ring is on', 'a member of its own');
  await hands.choose('Planetary 2', 'Sun is on', 'Sun 1');
  await hands.choose('Planetary 2', 'Ring is on', 'Output shaft');
  await hands.press('Add a clutch');
  await hands.choose('Clutch 1', 'with', 'Planetary 1 ring');
  await hands.press('Add a clutch');
  await hands.choose('Clutch 2', 'with', 'Sun 1');
  await hands.press('Add a brake');
  await hands.choose('Brake 1', 'Holds', 'Sun 1');
  await hands.press('Add a brake');
  await hands.choose('Brake 2', 'Holds', 'Carrier 2');
  for (const chart of [
    ['Clutch 1', 'Brake 2'],
    ['Clutch 1', 'Brake 1'],
    ['Clutch 1', 'Clutch 2'],
  ]) {
    await hands.press('Add a forward gear');
    const gear = `D${
      [
        ['Clutch 1', 'Brake 2'],
        ['Clutch 1', 'Brake 1'],
        ['Clutch 1', 'Clutch 2'],
      ].findIndex((c) => c.join() === chart.join()) + 1
    }`;
    for (const element of chart) await hands.press(`${gear} applies ${element}`);
  }
  await hands.press('Add Reverse');
  for (const element of ['Clutch 2', 'Brake 2']) await hands.press(`R applies ${element}`);
  const live = page.getByRole('complementary', { name: 'So far' });
  await expect(live.getByRole('row', { name: /^D1/ })).toContainText((2 + 28 / 62).toFixed(3));
  await expect(live.getByRole('row', { name: /^D2/ })).toContainText((1 + 28 / 62).toFixed(3));
  await expect(live.getByRole('row', { name: /^D3/ })).toContainText('1.000');
  await expect(live.getByRole('row', { name: /^R/ })).toContainText((-62 / 28).toFixed(3));
  await expect(live).toContainText('Nothing wrong');
  await hands.press('Save this unit');
  await page.waitForURL(/\/units\/tarrow-three-/);
  expect(hands.actions).toBeLessThanOrEqual(60);

  // It is drawn, reasons, and takes a job at once.
  await expect(page.getByRole('group', { name: 'Unit' })).toBeVisible();
  await page.getByRole('button', { name: 'Drive 2' }).click();
  await expect(page.getByRole('region', { name: 'Powerflow' })).toContainText('Drives at 1.452 : 1');
  const id = page.url().split('/').at(-1)!;
  const job = await (await page.request.post('/api/jobs', { headers: OURS, data: { unit: id } })).json();
  await page.goto(`/jobs/${job.number}/teardown`);
  await expect(page.getByRole('button', { name: /Brake 2/ }).first()).toBeVisible();
});

test('what was entered is still there after a reload, and every change can be taken back', async ({
  page,
}) => {
  await signIn(page, 'mira');
  await page.goto('/units/new');
  await page.getByRole('button', { name: 'Add a planetary set' }).click();
  await page.getByRole('group', { name: 'Planetary 1' }).getByLabel('Sun teeth').fill('41');
  await page.reload();
  await expect(page.getByText('This goes on where you left it.')).toBeVisible();
  await expect(page.getByRole('group', { name: 'Planetary 1' }).getByLabel('Sun teeth')).toHaveValue('41');
  await page.getByRole('button', { name: 'Add a brake' }).click();
  await expect(page.getByRole('group', { name: 'Brake 1' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('group', { name: 'Brake 1' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Start over' }).click();
  await expect(page.getByRole('group', { name: 'Planetary 1' })).toHaveCount(0);
});

test('a family is duplicated, saved, edited into a new version, exported, refused and deleted', async ({
  page,
}) => {
  await signIn(page, 'ivo');
  await page.goto('/units/ostrel-six');
  await page.getByRole('link', { name: 'Duplicate' }).click();
  const name = `Ostrel Six, ours ${Date.now() % 100000}`;
  await page.getByLabel('Name', { exact: true }).first().fill(name);
  await expect(page.getByRole('complementary', { name: 'So far' })).toContainText('Nothing wrong');
  await page.getByRole('button', { name: 'Save this unit' }).click();
  await page.waitForURL(/\/units\/ostrel-six-ours/);
  const id = page.url().split('/').at(-1)!;
  await page.getByRole('link', { name: 'Edit' }).click();
  await page.getByRole('group', { name: 'Front planetary' }).getByLabel('Ring teeth').fill('76');
  await expect(
    page.getByRole('complementary', { name: 'So far' }).getByRole('row', { name: /^D4/ }),
  ).not.toContainText('1.138');
  await expect(page.getByRole('button', { name: 'Save as a new version' })).toBeEnabled();
  await page.getByRole('button', { name: 'Save as a new version' }).click();
  await page.waitForURL(new RegExp(`/units/${id}$`));
  await expect(page.getByRole('region', { name: 'Versions' })).toContainText('Version 2');
  const exported = await (await page.request.get(`/api/units/${id}`)).json();
  expect(exported.gearsets[0].ring.teeth).toBe(76);
  const first = await (await page.request.get(`/api/units/${id}?version=1`)).json();
  expect(first.gearsets[0].ring.teeth).toBe(72);
  const again = await page.request.post('/api/units', { headers: OURS, data: exported });
  expect(again.status()).toBe(409);
  await page.getByRole('button', { name: 'Delete this unit' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Delete', exact: true }).click();
  await page.waitForURL(/\/units$/);
  await expect(page.getByText(name)).toHaveCount(0);
});

test('a file that is no unit is refused with the place and the remedy; one that is becomes a family', async ({
  page,
}) => {
  await signIn(page, 'mira');
  await page.goto('/units');
  const unit = JSON.parse(readFileSync(path.join(process.cwd(), 'data/units/ostrel-four.json'), 'utf8'));
  const choose = async (value: unknown) => {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Import a file' }).click(),
    ]);
    await chooser.setFiles({
      name: 'unit.json',
      mimeType: 'application/json',
      buffer: Buffer.from(typeof value === 'string' ? value : JSON.stringify(value)),
    });
  };
  const alert = page.getByRole('main').getByRole('alert');
  const broken = structuredClone(unit);
  broken.id = 'broken';
  broken.elements[0].a = 'nowhere';
  broken.specs[0].min = 9;
  await choose(broken);
  await expect(alert).toContainText('/elements/0/a');
  await expect(alert).toContainText('/specs/0/min');
  await expect(alert).toContainText('Use one of');
  await choose('{"format": "pelvik-unit/1", "gearsets": [');
  await expect(alert).toContainText('not valid JSON');
  const id = `imported-${Date.now() % 100000}`;
  await choose({ ...unit, id, name: `Imported ${id}` });
  await page.waitForURL(new RegExp(`/units/${id}`));
  await expect(page.getByRole('group', { name: 'Unit' })).toBeVisible();
});

test('hostile files are refused and the server goes on', async ({ page }) => {
  await signIn(page, 'mira');
  const unit = JSON.parse(readFileSync(path.join(process.cwd(), 'data/units/ostrel-four.json'), 'utf8'));
  const post = async (body: string) => {
    const answer = await page.request.post('/api/units', {
      headers: { ...OURS, 'content-type': 'application/json' },
      data: body,
    });
    return { status: answer.status(), text: await answer.text() };
  };
  const many = {
    ...unit,
    elements: Array.from({ length: 10_000 }, (_, k) => ({ ...unit.elements[1], id: `e${k}` })),
  };
  const huge = { ...unit, gearsets: [{ ...unit.gearsets[0], sun: { member: 'Si', teeth: 1e308 } }] };
  const nested = `${'{"a":'.repeat(50_000)}1${'}'.repeat(50_000)}`;
  const tangled = {
    ...unit,
    elements: Array.from({ length: 60 }, (_, k) => ({ ...unit.elements[1], id: `o${k}`, short: 'o' })),
    gears: [{ key: 'D1', range: 'D', gear: 1, name: 'x', apply: [] }],
  };
  for (const body of [
    JSON.stringify(many),
    JSON.stringify(huge),
    nested,
    JSON.stringify(tangled),
    'NaN',
    '"text"',
    '[]',
    '{"format":"pelvik-unit/1","members":-1}',
    ' '.repeat(3 * 1024 * 1024),
  ]) {
    const { status, text } = await post(body);
    expect({ body: body.slice(0, 30), status: [400, 413].includes(status) }).toEqual({
      body: body.slice(0, 30),
      status: true,
    });
    expect(text).toContain('remedy');
    expect(text).not.toContain('at Object');
  }
  expect((await page.request.get('/api/ready')).ok()).toBe(true);
});

test('the powerflow bench: faults in the drawing, every gear at once, and who else looks like it', async ({
  page,
}) => {
  await signIn(page, 'tobin');
  await page.goto('/units/hadric-five');
  const flow = page.getByRole('region', { name: 'Powerflow' });
  await page.getByRole('button', { name: /^Fourth and reverse clutch/ }).click();
  await page.getByRole('button', { name: /^Fourth and reverse clutch, lost/ }).click();
  await expect(flow).toContainText('Fourth and reverse clutch stuck on');
  const every = page.getByRole('region', { name: 'Every gear' });
  await expect(every.getByRole('row', { name: /^N/ })).toContainText('drives like D4');
  await expect(every.getByRole('row', { name: /^D2/ })).toContainText('ties up');
  await expect(every.getByRole('row', { name: /^R/ })).toContainText('normal');
  await page.getByRole('button', { name: 'Which faults would look like this?' }).click();
  const who = page.getByRole('region', { name: 'Who else looks like this' });
  await expect(who.getByRole('listitem').first()).toContainText('Fourth and reverse clutch stuck on');
  await page.keyboard.press('Backspace');
  await expect(every.getByRole('row', { name: /^D2/ })).toContainText('normal');
  await page.getByRole('button', { name: 'First gear hub' }).click();
  await expect(flow).toContainText('First gear hub broken divides the first gear');
  await expect(every.getByRole('row', { name: /^D1/ })).toContainText('no drive');
  await page.getByRole('button', { name: 'Make it whole' }).click();
  await page.getByRole('button', { name: 'Drive third' }).click();
  await page.getByRole('button', { name: 'How: Third clutch' }).click();
  await expect(page.getByText('capacity ÷ load =')).toBeVisible();
  // The counter may look and try, not change.
  await expect(page.getByRole('link', { name: 'Edit' })).toHaveCount(0);
  expect((await page.request.post('/api/units', { headers: OURS, data: {} })).status()).toBe(403);
});

test('the bench by keys alone: step through the gears, break a part, let an element slip at a torque of one’s own', async ({
  page,
}) => {
  await signIn(page, 'mira');
  await page.goto('/units/ostrel-four');
  const flow = page.getByRole('region', { name: 'Powerflow' });
  await expect(flow).toContainText('Drive first.');
  await page.keyboard.press('ArrowRight');
  await expect(flow).toContainText('Drive second.');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  await expect(flow).toContainText('Neutral.');
  await flow.getByRole('button', { name: 'Sun shell' }).press('Enter');
  await expect(flow).toContainText('Sun shell broken divides the sun shell and rear sun');
  await flow.getByRole('button', { name: 'Without: Sun shell broken' }).press('Enter');
  const high = flow.getByRole('button', { name: /^High clutch/ });
  for (let k = 0; k < 3; k++) await high.press('Enter');
  await expect(flow).toContainText('High clutch slips above');
  const every = page.getByRole('region', { name: 'Every gear' });
  const d4 = every.getByRole('row', { name: /^D4/ });
  await expect(d4).toContainText('slips: high clutch');
  await flow.getByLabel('Slips above').fill('290');
  await expect(d4).toContainText('slips: high clutch');
  await flow.getByLabel('Slips above').fill('310');
  await expect(d4).toContainText('normal');
  await page.keyboard.press('?');
  // Typed into the field, a key stays in the field.
  await expect(page.getByRole('dialog')).toHaveCount(0);
});

test('margins follow the torque and pressure one chooses', async ({ page }) => {
  await signIn(page, 'mira');
  await page.goto('/units/ostrel-eight');
  const burning = page.getByRole('region', { name: 'Burning order' });
  await expect(burning).not.toContainText('slips,');
  await burning.getByLabel('Engine torque').fill('700');
  await expect(burning.getByRole('row', { name: /Clutch K2/ }).last()).toContainText('slips,');
  await burning.getByLabel('Engine torque').fill('450');
  await expect(burning).not.toContainText('slips,');
  await burning.getByLabel('Line pressure').fill('60');
  await expect(burning.getByRole('row', { name: /Clutch K3/ }).last()).toContainText('slips,');
});

test('a unit prints on A4: the drawing whole, the tables within the sheet', async ({ page }) => {
  await signIn(page, 'mira');
  await page.goto('/units/hadric-five');
  await expect(page.getByRole('group', { name: 'Unit' })).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  await page.setViewportSize({ width: 794, height: 1123 });
  const sheet = await page.evaluate(() => ({
    wide: document.documentElement.scrollWidth,
    drawing: document.querySelector('svg[role=group]')!.getBoundingClientRect().width,
  }));
  expect(sheet.wide).toBeLessThanOrEqual(794);
  expect(sheet.drawing).toBeGreaterThan(500);
  expect(sheet.drawing).toBeLessThanOrEqual(794);
  const pdf = await page.pdf({ format: 'A4' });
  expect(pdf.length).toBeGreaterThan(20_000);
});
