import { expect, type Locator, type Page } from '@playwright/test';

/** One way of working: by mouse, by a finger alone, or by keys alone. */
export interface Hand {
  press(what: Locator): Promise<void>;
  /** A box is ticked, or a tick taken away. */
  tick(box: Locator): Promise<void>;
  write(field: Locator, text: string): Promise<void>;
  /** Opens a list or a menu and takes an entry. */
  pick(list: Locator, entry: Locator): Promise<void>;
  /** Gives a file to whatever asks for one. */
  file(ask: Locator, input: Locator, file: { name: string; mimeType: string; buffer: Buffer }): Promise<void>;
}

/** What was left stays in the page, out of sight: a hand takes only what is seen. */
export const seen = (what: Locator): Locator => what.filter({ visible: true });

/** A field by its label. */
export const field = (page: Page, ...asked: Parameters<Page['getByLabel']>): Locator => seen(page.getByLabel(...asked));

/** A press that opens the browser's own chooser, answered with a file. */
async function chosen(page: Page, press: () => Promise<void>, file: Parameters<Hand['file']>[2]): Promise<void> {
  const [chooser] = await Promise.all([page.waitForEvent('filechooser'), press()]);
  await chooser.setFiles(file);
}

export function mouse(page: Page): Hand {
  return {
    press: (what) => seen(what).click(),
    tick: (box) => seen(box).click(),
    write: (field, text) => seen(field).fill(text),
    pick: async (list, entry) => {
      await seen(list).click();
      await entry.click();
    },
    file: (ask, _, file) => chosen(page, () => seen(ask).click(), file),
  };
}

export function finger(page: Page): Hand {
  return {
    press: (what) => seen(what).tap(),
    tick: (box) => seen(box).tap(),
    write: async (field, text) => {
      await seen(field).tap();
      await seen(field).fill(text);
    },
    pick: async (list, entry) => {
      await seen(list).tap();
      await entry.tap();
    },
    file: (ask, _, file) => chosen(page, () => seen(ask).tap(), file),
  };
}

const MOST_TABS = 160;

/** Nothing is reached but by Tab from wherever the focus is, and nothing is done but by Enter, Space and arrows. */
export function keys(page: Page): Hand {
  // From now on the browser's chooser is answered by the test. Asked for only when a key is pressed, it comes too late for a
  // key, which waits for nothing.
  page.on('filechooser', () => undefined);
  const isHere = (what: Locator) => what.evaluate((element) => element === document.activeElement);
  const reach = async (asked: Locator) => {
    const what = seen(asked);
    await expect(what).toBeVisible();
    // Looked up once: by its name at each Tab it would take longer than the Tab. What was drawn anew is looked up again.
    let element = await what.elementHandle();
    for (let i = 0; i < MOST_TABS; i++) {
      const focus = await element?.evaluate((it) => (it.isConnected ? it === document.activeElement : null));
      if (focus === true) return;
      if (focus === false) await page.keyboard.press('Tab');
      else element = await what.elementHandle();
    }
    throw new Error(`not reached by Tab: ${what.toString()}`);
  };
  return {
    press: async (what) => {
      await reach(what);
      await page.keyboard.press('Enter');
    },
    tick: async (box) => {
      await reach(box);
      await page.keyboard.press('Space');
    },
    write: async (field, text) => {
      await reach(field);
      await page.keyboard.press('Control+a');
      await page.keyboard.type(text);
    },
    pick: async (list, entry) => {
      await reach(list);
      await page.keyboard.press('Enter');
      await expect(entry).toBeVisible();
      // Arrows walk the entries; each takes its moment to be marked.
      for (let i = 0; i < 40; i++) {
        if ((await entry.getAttribute('data-highlighted')) !== null) break;
        await page.keyboard.press('ArrowDown', { delay: 60 });
      }
      await expect(entry).toHaveAttribute('data-highlighted', '');
      await page.keyboard.press('Enter');
    },
    file: async (ask, input, file) => {
      await expect(seen(ask)).toBeVisible();
      // The input itself is not seen; the words round it show that it has the focus.
      for (let i = 0; !(await isHere(input)); i++) {
        if (i > MOST_TABS) throw new Error('the file is not reached by Tab');
        await page.keyboard.press('Tab');
      }
      await chosen(page, () => page.keyboard.press('Enter'), file);
    },
  };
}
