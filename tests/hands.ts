import type { Locator, Page } from '@playwright/test';

/** Somebody at the bench: everything they do goes through here and is counted. */
export interface Hands {
  /** A press, a stroke, a key that does something, or one whole value typed. */
  actions: number;
  /** Single keys, for those who have nothing else. */
  keys: number;
  /** Puts the page in front of the given row, opened. */
  open: (row: Locator, find: string) => Promise<void>;
  press: (target: Locator) => Promise<void>;
  /** A shortcut where there are keys, else the button of the same name. */
  shortcut: (key: string, button: Locator) => Promise<void>;
  /** Puts one plate of a pack in hand. */
  plate: (pack: Locator, index: number) => Promise<void>;
  /** A value and Enter, into the field or, walking, into the one that is at hand. */
  type: (field: Locator, value: string, walking: boolean) => Promise<void>;
  /** Chooses a brush and strokes over faces; all of them where no ends are given. */
  paint: (pack: Locator, brush: Locator, over: [Locator, Locator] | null) => Promise<void>;
  file: (button: Locator, path: string) => Promise<void>;
}

async function openByPress(hands: Hands, row: Locator): Promise<void> {
  const opener = row.locator('button[aria-expanded]').first();
  if ((await opener.getAttribute('aria-expanded')) !== 'true') await hands.press(opener);
}

type Spot = { x: number; y: number };

/** Where a stroke begins and ends, both in sight. */
async function ends(from: Locator, to: Locator): Promise<[Spot, Spot]> {
  await from.scrollIntoViewIfNeeded();
  await to.scrollIntoViewIfNeeded();
  const [a, b] = [(await from.boundingBox())!, (await to.boundingBox())!];
  const centre = (box: Spot & { width: number; height: number }) => ({
    x: box.x + box.width / 2,
    y: box.y + box.height / 2,
  });
  return [centre(a), centre(b)];
}

/** A mouse, and fingers for numbers. */
export function mouse(page: Page): Hands {
  return pointing(
    page,
    (target) => target.click(),
    async (from, to) => {
      const [a, b] = await ends(from, to);
      await page.mouse.move(a.x, a.y);
      await page.mouse.down();
      await page.mouse.move(b.x, b.y, { steps: 24 });
      await page.mouse.up();
    },
  );
}

/** A finger on glass. */
export function touch(page: Page): Hands {
  return pointing(
    page,
    async (target) => {
      await target.tap();
      // No finger is back on the glass sooner: two taps at once are a double tap.
      await page.waitForTimeout(150);
    },
    async (from, to) => {
      const [a, b] = await ends(from, to);
      const session = await page.context().newCDPSession(page);
      const send = (type: 'touchStart' | 'touchMove' | 'touchEnd', at: Spot | null) =>
        session.send('Input.dispatchTouchEvent', { type, touchPoints: at ? [at] : [] });
      await send('touchStart', a);
      for (let k = 1; k <= 24; k++)
        await send('touchMove', { x: a.x + ((b.x - a.x) * k) / 24, y: a.y + ((b.y - a.y) * k) / 24 });
      await send('touchEnd', null);
    },
  );
}

function pointing(
  page: Page,
  press: (target: Locator) => Promise<void>,
  stroke: (from: Locator, to: Locator) => Promise<void>,
): Hands {
  const hands: Hands = {
    actions: 0,
    keys: 0,
    open: (row) => openByPress(hands, row),
    press: async (target) => {
      hands.actions++;
      await press(target);
    },
    shortcut: (_, button) => hands.press(button),
    plate: (pack, index) => hands.press(pack.locator(`[data-plate="${index}"]`)),
    type: async (field, value, walking) => {
      hands.actions++;
      if (walking) await page.keyboard.type(value);
      else await field.fill(value);
      await page.keyboard.press('Enter');
    },
    paint: async (pack, brush, over) => {
      if ((await brush.getAttribute('aria-pressed')) !== 'true') await hands.press(brush);
      if (!over) return hands.press(pack.getByRole('button', { name: /^All alike/ }));
      hands.actions++;
      await stroke(...over);
    },
    file: async (button, path) => {
      const chooser = page.waitForEvent('filechooser');
      await hands.press(button);
      hands.actions++;
      await (await chooser).setFiles(path);
    },
  };
  return hands;
}

const MOST_TABS = 120;

/** Whether the focus is on the target, or in its group of choices; and whether the target stands before it. */
const focusAt = (target: Locator) =>
  target.evaluate((e) => {
    const focus = document.activeElement;
    const group = e.closest('[role=radiogroup]');
    return {
      on: focus === e,
      inside: focus === e || group?.contains(focus) === true,
      back: ((focus?.compareDocumentPosition(e) ?? 0) & Node.DOCUMENT_POSITION_PRECEDING) !== 0,
    };
  });

/** Keys alone. */
export function keyboard(page: Page): Hands {
  const key = async (name: string) => {
    hands.keys++;
    await page.keyboard.press(name);
  };
  const text = async (words: string) => {
    hands.keys += words.length;
    await page.keyboard.type(words);
  };
  const reach = async (target: Locator) => {
    let focus = await focusAt(target);
    for (let k = 0; !focus.inside; k++) {
      if (k > MOST_TABS) throw new Error('Not to be reached by Tab.');
      await key(focus.back ? 'Shift+Tab' : 'Tab');
      focus = await focusAt(target);
    }
    for (let k = 0; !focus.on; k++) {
      if (k > 12) throw new Error('Not to be reached by the arrows.');
      await key(focus.back ? 'ArrowLeft' : 'ArrowRight');
      focus = await focusAt(target);
    }
  };
  const hands: Hands = {
    actions: 0,
    keys: 0,
    open: async (row, find) => {
      hands.actions += 2;
      await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
      await key('f');
      await text(find);
      await key('Enter');
      await row.and(page.locator('[data-open]')).waitFor();
    },
    press: async (target) => {
      hands.actions++;
      await reach(target);
      await key('Space');
    },
    shortcut: async (name) => {
      hands.actions++;
      await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
      await key(name);
    },
    plate: async (pack, index) => {
      hands.actions++;
      await reach(pack.getByRole('application'));
      await key('Home');
      for (let k = 0; k < 2 * index; k++) await key('ArrowRight');
    },
    type: async (field, value, walking) => {
      hands.actions++;
      if (!walking) await reach(field);
      await text(value);
      await key('Enter');
    },
    paint: async (pack, brush, over) => {
      const number = (await brush.locator('kbd').textContent())!;
      const drawing = pack.getByRole('application');
      await reach(drawing);
      hands.actions++;
      await key('Home');
      if (!over) {
        await key(number);
        await key('a');
        return;
      }
      const [from, to] = await Promise.all(
        over.map((e) =>
          e.evaluate((face) => [...face.closest('svg')!.querySelectorAll('[data-face]')].indexOf(face)),
        ),
      );
      for (let k = 0; k < from!; k++) await key('ArrowRight');
      for (let k = from!; k <= to!; k++) await key(number);
    },
    file: async (button, path) => {
      // From the first Tab on: there may be a long way to the button on a busy machine.
      const chooser = page.waitForEvent('filechooser', { timeout: 60_000 });
      await hands.press(button);
      hands.actions++;
      await (await chooser).setFiles(path);
    },
  };
  return hands;
}
