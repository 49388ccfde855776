import { expect, test } from '@playwright/test';
import { openRow, pick, recorded, row, saved, signInByHand, stage } from './helpers';

/** The whole line on real input: an empty form becomes an accepted quote. */
test('from a complaint to an accepted quote', async ({ page, browser }) => {
  test.setTimeout(120_000);
  await signInByHand(page, 'ivo');
  await page.getByRole('button', { name: 'New job' }).click();
  await page.getByRole('button', { name: /^Ostrel Four/ }).click();
  await page.waitForURL(/\/jobs\/\d+\/intake/);
  const job = Number(/jobs\/(\d+)/.exec(page.url())![1]);

  await test.step('intake', async () => {
    await page.getByLabel('Customer', { exact: true }).fill('Liesbet Ondra');
    await page.getByLabel('Make').fill('Corvane');
    await page.getByLabel('Model').fill('Tarn');
    await page.getByLabel('Year').fill('2012');
    await page.getByLabel('Odometer').fill('203400,5');
    await page.getByLabel('What it is worth').fill('4800');
    await page
      .getByLabel('In the customer’s words')
      .fill('Revs up going into second, bangs into third. Fourth is like third.');
    await pick(page, 'Whose word', 'The shop has seen');
    for (const cell of [
      'R normal',
      'D1 normal',
      'D2 flares',
      'D2 double bump',
      'D3 normal',
      'D4 wrong gear',
    ]) {
      await page.getByRole('button', { name: cell, exact: true }).click();
    }
    await page.getByLabel('D4 acts like').selectOption('D3');
    await pick(page, 'Fluid at intake, level', 'Full');
    await pick(page, 'Fluid at intake, colour', 'Brown');
    await pick(page, 'Fluid at intake, smell', 'Burnt');
    await pick(page, 'Scanned?', 'Scanned: these');
    await page.getByLabel('Code', { exact: true }).fill('P0732');
    await pick(page, 'Kind of code', 'Rationality: ratio or slip not as commanded');
    await page.getByRole('button', { name: 'Add code' }).click();
    await expect(page.getByText('P0732')).toBeVisible();
    await saved(page);
    await expect(page.getByText('Still to do here:')).toHaveCount(0);
  });

  await test.step('suspects name the band before a bolt is turned', async () => {
    await stage(page, 'Suspects');
    const first = page
      .getByRole('region', { name: 'Which faults would look like this' })
      .getByRole('button')
      .first();
    await expect(first).toContainText('2-4 band');
    await expect(first).toContainText('agrees in R, D1, D2, D3, D4');
    await expect(page.getByRole('region', { name: 'Look at first' })).toContainText('Servo seal rings');
    await expect(page.getByTestId('diagnosis')).toContainText('not determined');
  });

  await test.step('teardown: a torn servo seal, a charred band, sound packs', async () => {
    await stage(page, 'Teardown');
    await page.getByRole('button', { name: /^4 Band servo/ }).click();
    await pick(page, 'Servo seal rings', 'Failed');
    await page.getByRole('button', { name: 'It is out' }).click();
    await page.getByRole('button', { name: /^6 Reverse and high drums/ }).click();
    await openRow(page, 'element.band-2-4');
    await row(page, 'element.band-2-4').getByRole('button', { name: '4 Charred' }).click();
    await row(page, 'element.band-2-4').getByRole('button', { name: 'All alike: charred' }).click();
    await pick(page, '2-4 band, drum surface it ran on', 'Glazed');
    for (const pack of ['element.reverse', 'element.high'])
      await (await openRow(page, pack)).getByRole('button', { name: /^All alike/ }).click();
    await expect(row(page, 'element.high')).toContainText('18 of 18 faces looked at');
    await expect(row(page, 'element.reverse')).toContainText('sound');
    await page.getByRole('button', { name: /^2 Pan and filter/ }).click();
    await openRow(page, 'part.filter');
    await pick(page, 'Filter, between the pleats, cut open', 'Dirty');
    const debris = await openRow(page, 'unit.debris');
    await pick(page, 'Amount to mark, debris', 'Trace');
    await debris.getByRole('button', { name: /^Fine grey paste, magnets/ }).click();
    await page.getByRole('button', { name: /^3 Valve body/ }).click();
    await page.getByLabel('Bench temperature').fill('45');
    const readings = page.getByRole('region', { name: 'Readings' });
    await readings.getByLabel('Shift solenoid S2').fill('26,4');
    await expect(readings).toContainText('24.0, within');
    await saved(page);
    await expect(page.getByTestId('diagnosis').getByRole('listitem').first()).toContainText(
      'Servo seal rings torn',
    );
  });

  // From a finished teardown to a quote the customer can open: a matter of few actions.
  let actions = 0;
  const act = async (what: Promise<void>) => {
    actions++;
    await what;
  };
  await test.step('cause is committed with its chain', async () => {
    await act(stage(page, 'Cause'));
    await expect(page.getByRole('region', { name: 'Chain' }).getByRole('img')).toHaveAttribute(
      'aria-label',
      /Servo seal rings torn.*slips and burns/,
    );
    await act(page.getByRole('button', { name: /^The 2-4 band lining is at the end/ }).click());
    await act(page.getByLabel(/^Reason/).fill('Torn lip, band burnt, everything else sound'));
    await act(page.getByRole('button', { name: /^Commit: Servo seal rings torn/ }).click());
    await expect(page.getByText(/^Committed: Servo seal rings torn/)).toBeVisible();
    await saved(page);
    expect(await recorded(page.request, job, 'cause.commit')).toMatchObject({
      cause: 'servo-seal-rings:feed-loss',
      contributing: ['band-2-4:worn-out'],
    });
  });

  await test.step('scope follows, and can be changed with a reason', async () => {
    await act(stage(page, 'Scope'));
    const lines = page.getByRole('region', { name: 'Targeted repair' });
    await expect(lines.locator('[data-line="part-servo-seal-rings"]')).toContainText(
      'Cures what failed first',
    );
    await expect(lines.locator('[data-line="part-band"]')).toContainText('Cures what contributed');
    await expect(lines.locator('[data-line="part-converter"]')).toHaveCount(0);
    await expect(lines.locator('[data-line^="part-solenoid"]')).toHaveCount(0);
    await act(lines.getByRole('button', { name: 'Add a line' }).click());
    const dialog = page.getByRole('dialog');
    await act(dialog.getByLabel('Part or work').fill('In-line filter'));
    await act(dialog.getByLabel('Unit price').fill('31.50'));
    await act(dialog.getByLabel(/^Reason/).fill('Fibre was about'));
    await act(dialog.getByRole('button', { name: 'Keep' }).click());
    await expect(lines).toContainText('€31.50');
    await saved(page);
  });

  let link = '';
  await test.step('a quote with options side by side, sent as a link', async () => {
    await act(stage(page, 'Quote'));
    for (const name of ['Targeted repair', 'Full overhaul', 'Do not repair']) {
      await expect(page.getByRole('columnheader', { name })).toBeVisible();
    }
    await act(page.getByRole('button', { name: 'Make version 1' }).click());
    await act(page.getByRole('button', { name: 'Make a customer link' }).click());
    link = await page.getByLabel('Customer link').inputValue();
    expect(actions).toBeLessThanOrEqual(25);
    const pdf = await page.request.get(`/api/jobs/${job}/quotes/1/pdf`);
    expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
  });

  await test.step('the customer accepts on a phone', async () => {
    const phone = await browser.newContext({ viewport: { width: 390, height: 844 } });
    const customer = await phone.newPage();
    await customer.goto(link);
    await expect(customer.getByText(/^What failed first: servo seal rings torn/)).toBeVisible();
    await expect(customer.getByRole('button', { name: 'Choose an option to accept' })).toBeDisabled();
    await customer.getByRole('radio', { name: /Targeted repair/ }).check();
    await customer.getByLabel('Your name, typed, is your signature').fill('Liesbet Ondra');
    await customer.getByRole('button', { name: 'Accept: Targeted repair' }).click();
    await expect(customer.getByRole('status')).toContainText('Liesbet Ondra accepted');
    const width = await customer.evaluate(() => document.documentElement.scrollWidth);
    expect(width).toBeLessThanOrEqual(390);
    await phone.close();
  });

  await page.goto(`/jobs/${job}/quote`);
  await expect(page.getByText('Version 1 is accepted and frozen for good.')).toBeVisible();
  await page.goto('/');
  await expect(page.getByRole('region', { name: 'Build' })).toContainText('Corvane Tarn 2012');
});
