import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, ready, test, type App } from './app';
import { VIEWS, visitId } from './views';

const THEMES = ['light', 'dark'] as const;

/** What axe finds on a page. In the dark only colours can differ: the rest was looked at in the light. */
async function look(page: Page, theme: (typeof THEMES)[number]): Promise<void> {
  // No page of ours has frames: what axe opens for them is left out.
  const axe = new AxeBuilder({ page }).setLegacyMode(true).options({ resultTypes: ['violations'] });
  const { violations } = await (theme === 'dark' ? axe.withRules(['color-contrast']) : axe).analyze();
  expect(violations.map((v) => `${v.id} ${v.nodes[0]?.html}`)).toEqual([]);
}
async function visit(page: Page, app: App, theme: string, path: string): Promise<void> {
  await page.context().addCookies([
    { name: 'ht_theme', value: theme, url: app.url },
    // Somebody works here, and looks round with the demo.
    {
      name: 'ht_who',
      value: (await app.sql`select id from person where name = 'Jory Pell'`)[0]!.id,
      url: app.url
    }
  ]);
  await page.goto(app.url + path);
  await ready(page);
}

for (const theme of THEMES) {
  test.describe(`axe finds nothing, ${theme}`, () => {
    for (const [name, path] of Object.entries(VIEWS))
      test(name, async ({ page, shared }) => {
        await visit(page, shared, theme, await path(shared));
        await look(page, theme);
      });
    for (const [key, name] of [
      ['l', 'log hours'],
      ['/', 'find'],
      ['?', 'shortcuts']
    ] as const)
      test(name, async ({ page, shared }) => {
        await visit(page, shared, theme, '/');
        await page.keyboard.press(key);
        await page
          .getByRole('region', { name: /Log hours|Find|Shortcuts/ })
          .locator('label, h2')
          .first()
          .waitFor();
        await look(page, theme);
      });
    for (const step of [
      /to do Refit and torque engine drain/,
      /to do Refit and torque oil filter/,
      /to do Pour the engine oil/,
      /to do Read the engine level/,
      /Read the magnet/,
      /Choose the oil/
    ])
      test(`at the bench, ${step.source}`, async ({ page, shared }) => {
        await visit(page, shared, theme, `/visits/${await visitId(shared)}`);
        await page.getByRole('button', { name: step }).click();
        await look(page, theme);
      });
  });
}
