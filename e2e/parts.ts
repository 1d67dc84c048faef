import type { Page } from '@playwright/test';

/** Opens a list by its label and takes the entry with these words. */
export async function choose(page: Page, label: string, words: string): Promise<void> {
  await page.getByRole('combobox', { name: label, exact: true }).click();
  await page.getByRole('option', { name: words, exact: true }).click();
}
