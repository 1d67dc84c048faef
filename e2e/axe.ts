import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';
import type axe from 'axe-core';

const SOURCE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

interface Looked {
  /** By lamplight only contrast is looked at, which is all that lamplight changes. */
  readonly theme: 'light' | 'dark';
  /** What alone is looked at; the whole page otherwise. */
  readonly within?: string;
  readonly without?: readonly string[];
}

/** What stands in the way of anybody, by the rules of WCAG 2.1 A and AA: a line for each kind, none where all is well. */
export async function barriers(page: Page, { theme, within = 'html', without = [] }: Looked): Promise<string[]> {
  await page.evaluate((name) => (document.documentElement.dataset.theme = name), theme);
  // Brought into the page once: that takes longer than the looking.
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(SOURCE);
  return page.evaluate(
    async ([inside, rules, tags]) => {
      const { axe: looker } = window as unknown as { axe: typeof axe };
      const { violations } = await looker.run(inside, {
        resultTypes: ['violations'],
        runOnly: tags.length > 0 ? { type: 'tag', values: tags } : { type: 'rule', values: ['color-contrast'] },
        rules: Object.fromEntries(rules.map((rule) => [rule, { enabled: false }])),
      });
      return violations.map(
        ({ id, nodes }) =>
          `${id}: ${nodes
            .slice(0, 4)
            .map((n) => n.html.slice(0, 160))
            .join(' | ')}`,
      );
    },
    [within, [...without], theme === 'light' ? ['wcag2a', 'wcag2aa', 'wcag21aa'] : []] as const,
  );
}
