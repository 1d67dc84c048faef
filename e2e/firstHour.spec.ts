import { expect, test } from '@playwright/test';
import { field } from './handsOf.ts';
import { OwnServer } from './ownServer.ts';
import { laneOwnPort } from './servers.ts';

test('the first hour leads from the first job through a small panel, and steps aside', async ({ page }) => {
  const server = new OwnServer(laneOwnPort());
  await server.start();
  try {
    await page.goto(`${server.base}/jobs?new=1`);
    await field(page, 'What it is').fill('First light');
    await page.getByRole('button', { name: 'Enter the job' }).click();
    const note = page.getByRole('note', { name: 'The first hour' });
    await expect(note).toContainText('A job holds panels');
    await page.getByRole('button', { name: 'Add a panel' }).click();
    await field(page, 'Wide').fill('200');
    await field(page, 'High').fill('280');
    await page.getByRole('button', { name: 'Enter the panel' }).click();
    await expect(note).toContainText('Bring its drawing in');
    await page.getByRole('button', { name: /small one to practise on/ }).click();
    await expect(page.getByRole('heading', { name: '5 pieces' })).toBeVisible();
    await page.getByRole('button', { name: 'Take in these 5 pieces' }).click();
    await expect(note).toContainText('Enter a glass');
    await note.getByRole('link', { name: 'Show me' }).click();
    await field(page, 'Code', { exact: true }).fill('G-1');
    await field(page, 'Name', { exact: true }).fill('green');
    await page.getByRole('button', { name: 'Enter the glass' }).click();
    await expect(note).toContainText('Receive a sheet');
    await note.getByRole('link', { name: 'Show me' }).click();
    await field(page, 'Label on it').fill('S1');
    await field(page, 'Wide').fill('600');
    await field(page, 'High').fill('400');
    await page.getByRole('button', { name: 'Put it on the rack' }).click();
    await expect(note).toContainText('Choose the glass');
    await note.getByRole('link', { name: 'Show me' }).click();
    await expect(page).toHaveURL(/\/glass$/);
    await note.getByRole('button', { name: 'I know my way' }).click();
    await expect(note).toHaveCount(0);
    await page.reload();
    await expect(page.getByRole('heading', { name: 'Choose glass' })).toBeVisible();
    await expect(note).toHaveCount(0);
    // Help tells of this place, with a picture of it, and leads to its keys.
    await page.getByRole('button', { name: 'Help', exact: true }).click();
    const help = page.getByRole('dialog', { name: 'Glass' });
    await expect(help).toContainText('A double tap takes all of one glass.');
    await expect(help.locator('svg[viewBox="0 0 300 156"]')).toBeVisible();
    await help.getByRole('button', { name: 'The keys of this place' }).click();
    await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  } finally {
    await server.remove();
  }
});
