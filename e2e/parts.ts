import type { Browser, Page } from '@playwright/test';

/** Opens a list by its label and takes the entry with these words. */
export async function choose(page: Page, label: string, words: string): Promise<void> {
  await page.getByRole('combobox', { name: label, exact: true }).click();
  await page.getByRole('option', { name: words, exact: true }).click();
}

/** A page at the desk's size that is a bench of its own, where nobody has said who works. */
export async function benchPage(browser: Browser, benchId: string): Promise<Page> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const bench = JSON.stringify({ state: { benchId, personId: null, theme: 'light' }, version: 0 });
  await page.addInitScript((kept) => localStorage.setItem('nelvik-bench', kept), bench);
  return page;
}
