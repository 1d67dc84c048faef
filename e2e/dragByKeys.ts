import { expect, type Locator, type Page } from '@playwright/test';

/** What a grip holds goes as many places up or down by keys; each step waits until the list has said that it is done. */
export async function dragByKeys(page: Page, grip: Locator, key: 'ArrowUp' | 'ArrowDown', places: number) {
  const said = page.locator('[id^="DndLiveRegion"]').filter({ hasText: /\S/ });
  await grip.focus();
  await page.keyboard.press('Space');
  await expect(said).toHaveText(/was moved over/);
  for (let k = 0; k < places; k++) {
    const before = await said.innerText();
    await page.keyboard.press(key);
    await expect(said).not.toHaveText(before);
  }
  await page.keyboard.press('Space');
  await expect(said).toHaveText(/was dropped over/);
}
