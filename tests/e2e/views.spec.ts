import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, looking as test, open } from './app';
import { VIEWS, visitId } from './views';

/** What axe finds on a page: in the light all of its rules, in the dark only colours can differ. */
async function look(page: Page, theme: 'light' | 'dark'): Promise<void> {
  // No page of ours has frames: what axe opens for them is left out.
  const axe = new AxeBuilder({ page })
    .setLegacyMode(true)
    .options({ resultTypes: ['violations'] })
    // The fortieth row of a list is made as the ones above it are, and costs axe as much.
    .exclude('tbody tr:nth-child(n + 40)');
  const { violations } = await (theme === 'dark' ? axe.withRules(['color-contrast']) : axe).analyze();
  expect(violations.map((v) => `${theme}: ${v.id} ${v.nodes[0]?.html}`)).toEqual([]);
}
async function lookInBoth(page: Page): Promise<void> {
  // As the switch in the head of the page does it; the server sends the same class.
  for (const theme of ['light', 'dark'] as const) {
    await page.evaluate((t) => void (document.documentElement.className = t), theme);
    await look(page, theme);
  }
}

/**
 * Where the dark is looked at too: each kind of drawing, table and mark is on one of them. That the colours themselves can be read on
 * one another is a test of their own.
 */
const IN_THE_DARK = [
  'trail',
  'machine',
  'due',
  'board',
  'visit',
  'before a visit',
  'underside',
  'valve sheet',
  'chain sheet',
  'ready round',
  'spec sheet',
  'stores',
  'house rules'
];
for (const name of IN_THE_DARK) if (!(name in VIEWS)) throw new Error(`no view is called ${name}`);

test.describe('axe finds nothing, and nothing runs off the side of a phone or a tablet', () => {
  for (const [name, path] of Object.entries(VIEWS))
    test(name, async ({ page, app }) => {
      await open(page, await path(app));
      await (IN_THE_DARK.includes(name) ? lookInBoth(page) : look(page, 'light'));
      for (const width of [820, 390]) {
        await page.setViewportSize({ width, height: 900 });
        const over = () =>
          page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
        await expect.poll(over, { message: `at ${width} px` }).toBe(0);
      }
    });
});

test.describe('axe finds nothing in what opens on a view', () => {
  for (const [key, name] of [
    ['l', 'log hours'],
    ['f', 'a finding'],
    ['/', 'find'],
    ['?', 'shortcuts']
  ] as const)
    test(name, async ({ page }) => {
      await open(page, '/');
      await page.keyboard.press(key);
      await page
        .getByRole('region', { name: /^(Log hours|Finding|Find|Shortcuts)$/ })
        .locator('label, h2')
        .first()
        .waitFor();
      await lookInBoth(page);
    });
  for (const [button, form] of [
    ['Write down a finding', 'Finding'],
    ['Remind when something happens', 'Remind'],
    ['Report a symptom or incident', 'Report']
  ] as const)
    test(button, async ({ page, app }) => {
      await open(page, `/machines/${await app.machineId('12')}`);
      await page.getByRole('button', { name: button }).click();
      await page.getByRole('form', { name: form, exact: true }).waitFor();
      await lookInBoth(page);
    });
  for (const step of [
    /to do Refit and torque engine drain/,
    /to do Refit and torque oil filter/,
    /to do Pour the engine oil/,
    /to do Read the engine level/,
    /Read the magnet/,
    /Choose the oil/
  ])
    test(`at the bench, ${step.source}`, async ({ page, app }) => {
      await open(page, `/visits/${await visitId(app)}`);
      await page.getByRole('button', { name: step }).click();
      await lookInBoth(page);
    });
  test('at the bench, the whole sheet, with a line that stands open in its place', async ({ page, app }) => {
    await open(page, `/visits/${await visitId(app)}`);
    await page.getByText('The whole sheet').click();
    await page.getByRole('button', { name: /^Read the engine level/ }).click();
    await expect(page.getByRole('slider')).toBeVisible();
    await lookInBoth(page);
  });
});
