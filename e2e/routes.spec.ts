import { expect, test } from '@playwright/test';
import type { PanelAnswer, StudioAnswer } from '#contract';
import { dragByKeys } from './dragByKeys.ts';
import { ownDemo } from './ownServer.ts';
import { choose } from './parts.ts';
import { boardOn, pieceMark } from '../scripts/onBoard.ts';

test.describe('Ways of working', () => {
  const studio = ownDemo();

  test('one of the studio’s own is made from a shipped one, a panel is moved over to it, and its pieces go that way', async ({
    page,
  }) => {
    const { base } = studio;
    const get = async <T>(path: string): Promise<T> =>
      (await (await page.request.get(`${base}/api${path}`)).json()) as T;
    await page.goto(`${base}/setup`);
    await page.getByRole('button', { name: 'Another like Re-leading of an old panel' }).click();
    const editor = page.getByRole('dialog');
    await editor.getByLabel('Name').first().fill('Re-leading, blasted');
    await editor.getByRole('region', { name: 'Each piece' }).getByRole('button', { name: 'Another step' }).click();
    await editor.getByRole('button', { name: 'Keep the step' }).click();
    await expect(editor.getByText('What is done: Sandblast, say.')).toBeVisible();
    await editor.getByLabel('To be done').fill('Sandblast');
    await editor.getByLabel('Once it is done it is').fill('blasted');
    await editor.getByRole('button', { name: 'Keep the step' }).click();
    // One step up, by keys: from behind the last firing to before it.
    const grip = editor.getByRole('button', { name: 'Move blasted' });
    await dragByKeys(page, grip, 'ArrowUp', 1);
    await editor.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(editor).toHaveCount(0);
    const { routes, routeSteps } = await get<StudioAnswer>('/studio');
    const own = routes.find(({ name }) => name === 'Re-leading, blasted');
    expect(own).toMatchObject({ version: 1, technique: 'lead' });
    const steps = routeSteps.filter(({ routeId }) => routeId === own?.id).sort((a, b) => a.place - b.place);
    const words = steps.map(({ word }) => word);
    expect(words.indexOf('blasted')).toBe(words.indexOf('stain fired') - 1);

    await page.goto(`${base}/jobs`);
    await page
      .getByRole('link', { name: /Ferry office fanlight/ })
      .first()
      .click();
    await page
      .getByRole('button', { name: /Half-round/ })
      .first()
      .click();
    await page.getByRole('menuitem', { name: 'Name and size' }).click();
    await choose(page, 'Way of working', 'Re-leading, blasted');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect.poll(async () => (await get<PanelAnswer>('/panels/fanlight')).panel.routeId).toBe(own?.id);

    await page.goto(`${base}/panels/fanlight/bench`);
    const board = boardOn(page).first();
    await (await pieceMark(board, 14)).click();
    await page.getByRole('button', { name: 'Not cut here …' }).click();
    await page.getByRole('menuitem', { name: 'The old piece, cleaned and sorted back' }).click();
    await page.getByRole('button', { name: 'Painted, plated …' }).click();
    await page.getByRole('checkbox', { name: /^traced/ }).click();
    await expect(page.getByRole('button', { name: 'Also traced' })).toBeVisible();
    for (const word of ['Cleaned', 'Traced', 'Trace fired', 'Blasted', 'Leaded'])
      await page.getByRole('button', { name: word, exact: true }).click();
    const piece = (await get<PanelAnswer>('/panels/fanlight')).pieces.find(({ number }) => number === 14);
    await expect
      .poll(async () => (await get<PanelAnswer>('/panels/fanlight')).pieces.find((p) => p.number === 14)?.stage)
      .toBe('leaded');
    expect(piece?.from).toBeNull();
  });
});
