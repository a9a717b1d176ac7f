import AxeBuilder from '@axe-core/playwright';
import { expect, open, test } from './app';

for (const theme of ['light', 'dark'] as const) {
  test(`axe finds nothing on any view, ${theme}`, async ({ work: page, app, context }) => {
    test.setTimeout(300_000);
    await context.addCookies([{ name: 'ht_theme', value: theme, url: app.url }]);
    const machine = await app.machineId('12');
    const [task] =
      await app.sql`select t.id from task t join fitting f on f.component_id = t.component_id where f.machine_id = ${machine} and t.job is not null`;
    const [part] =
      await app.sql`select component_id as id from fitting where machine_id = ${machine} and kind = 'engine'`;
    const [visit] = await app.sql`select id from visit where closed_at is null`;
    const [record] = await app.sql`select id from service_record where visit_id is not null limit 1`;
    const look = async (what: string) => {
      const { violations } = await new AxeBuilder({ page }).analyze();
      expect(violations.map((v) => `${what}: ${v.id} ${v.nodes[0]?.html}`)).toEqual([]);
    };
    for (const path of [
      '/',
      '/welcome',
      '/team',
      '/bench',
      '/outings',
      '/outings/day',
      '/machines/new',
      `/machines/${machine}`,
      `/tasks/new?machine=${machine}`,
      `/tasks/${task!.id}`,
      '/due',
      '/parts',
      '/parts/new',
      `/parts/${part!.id}`,
      `/parts/${part!.id}?do=swap`,
      `/parts/${part!.id}?do=rebuild`,
      '/rules',
      `/machines/${machine}/meters`,
      `/machines/${machine}?done=${task!.id}`,
      `/machines/${machine}/sheet`,
      `/machines/${machine}/visit?task=${task!.id}`,
      `/visits/${visit!.id}`,
      `/machines/${machine}/underside`,
      '/stores',
      '/jobs',
      '/jobs/engine-oil-only',
      `/records/${record!.id}`,
      '/health',
      '/nothing'
    ]) {
      await open(page, path);
      await look(path);
    }
    await open(page, '/');
    for (const [key, what] of [
      ['l', 'log hours'],
      ['/', 'find'],
      ['?', 'shortcuts']
    ] as const) {
      await page.keyboard.press(key);
      await page
        .getByRole('region', { name: /Log hours|Find|Shortcuts/ })
        .locator('label, h2')
        .first()
        .waitFor();
      await look(what);
      await page.keyboard.press('Escape');
    }
    await open(page, `/visits/${visit!.id}`);
    for (const step of [
      /to do Refit and torque engine drain/,
      /to do Refit and torque oil filter/,
      /to do Pour the engine oil/,
      /to do Read the engine level/,
      /Read the magnet/,
      /Choose the oil/
    ]) {
      await page.getByRole('button', { name: step }).click();
      await look(String(step));
    }
  });
}
