import { expect, test } from '@playwright/test';
import { ownDemo } from './ownServer.ts';

const LIST = [
  'Name,Kind,Which,There,One holds,One costs,Supplier’s code',
  'Solder 50/50,Solder,50/50,250,500,21.40,LK 5',
  'Finishing wax,Wax,,90,225,8.80,LK 9',
].join('\n');

test.describe('Supplies', () => {
  const studio = ownDemo();

  test('entered, bought, used to the last gram and no further; undone; a list is taken in whole or not at all', async ({
    page,
  }) => {
    await page.goto(`${studio.base}/rack`);
    await page.getByRole('link', { name: 'Supplies' }).click();
    await expect(page.getByRole('heading', { name: 'Supplies' })).toBeVisible();
    await page.getByRole('button', { name: 'New supply' }).click();
    await page.getByLabel('Called').fill('Flux paste');
    await page.getByRole('combobox', { name: 'What it is' }).click();
    await page.getByRole('option', { name: 'Flux' }).click();
    await page.getByLabel('One holds, millilitres').fill('none');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByText('How many millilitres one holds, more than 0.')).toBeVisible();
    await page.getByLabel('One holds, millilitres').fill('120');
    await page.getByLabel(/^One costs/).fill('6,50');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await page.getByRole('button', { name: /^Flux paste/ }).click();
    await page.getByRole('button', { name: 'Book it' }).click();
    await expect(page.getByRole('button', { name: /^Flux paste\s*120 ml/ })).toBeVisible();

    await page.getByRole('button', { name: /^Flux paste/ }).click();
    await page.getByRole('radio', { name: 'Used' }).click();
    await page.getByLabel('How much was used, millilitres').fill('121');
    await page.getByRole('button', { name: 'Book it' }).click();
    await expect(page.getByText('Of Flux paste only 120 ml is there; count or weigh it first.')).toBeVisible();
    await page.getByLabel('How much was used, millilitres').fill('20');
    await page.getByRole('button', { name: 'Book it' }).click();
    await expect(page.getByRole('button', { name: /^Flux paste\s*100 ml/ })).toBeVisible();
    await page.getByRole('group', { name: 'Undo' }).getByRole('button').first().click();
    await expect(page.getByRole('button', { name: /^Flux paste\s*120 ml/ })).toBeVisible();

    await page.getByRole('button', { name: 'From a list' }).click();
    const bring = (text: string) =>
      page.getByLabel(/list …$/).setInputFiles({ name: 'prices.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
    await bring(LIST.replace('250,500', '250,much'));
    await expect(page.getByRole('alert')).toContainText('Line 2: “much” does not do for “One holds”.');
    await expect(page.getByRole('button', { name: 'Take them in' })).toHaveCount(0);
    await bring(LIST);
    await expect(page.getByText('2 supplies in prices.csv, 1 of them on the shelf already')).toBeVisible();
    await page.getByRole('button', { name: 'Take them in' }).click();
    await expect(page.getByRole('button', { name: /^Solder 50\/50\s*250 g/ })).toBeVisible();
    await expect(page.getByRole('button', { name: /^Finishing wax\s*90 g/ })).toBeVisible();
  });

  test('a panel says what it takes; the spool weighed before and after teaches the studio its own figure', async ({
    page,
  }) => {
    await page.goto(`${studio.base}/setup`);
    await page.getByRole('button', { name: /Bench scale/ }).click();
    await expect(page.getByTestId('scale')).toHaveText('412 g');
    await page.goto(`${studio.base}/panels/fish/materials`);
    const takes = page.getByRole('region', { name: 'What it takes' });
    await expect(takes.getByText(/of seams and .* of rim/)).toBeVisible();
    const foil = takes.getByRole('listitem').filter({ hasText: /^Foil/ }).first();
    // What is done has gone off the shelf without a press; the book follows, and nothing goes twice.
    await expect(foil).toContainText('all of it is in the work');
    const before = await foil.textContent();
    await foil.getByRole('button', { name: 'Book its use' }).click();
    await expect(page.getByText(/The book says .* went into Six fish/)).toBeVisible();
    await page.getByRole('button', { name: 'Book it' }).click();
    await expect(page.getByText('Booked.')).toBeVisible();
    expect(await foil.textContent()).toBe(before);

    await takes.getByRole('combobox', { name: 'Solder' }).click();
    await page.getByRole('option', { name: '63/37' }).click();
    const solder = takes.getByRole('listitem').filter({ hasText: 'Solder 63/37' });
    await solder.getByRole('button', { name: 'Book its use' }).click();
    await page.getByRole('button', { name: /^Weigh what is left/ }).click();
    await expect(page.getByLabel('What is left of it, grams')).toHaveValue('412');
    await page.getByLabel('What is left of it, grams').fill('150');
    await page.getByRole('button', { name: 'Book it' }).click();
    await expect(solder).toContainText(/50 g in the work|all of it is in the work/);
    await expect(solder).toContainText('150 g on the shelf');
  });
});
