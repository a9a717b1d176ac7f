import type { Locator, Page } from '@playwright/test';
import { expect, open, test } from './app';
import { Hand } from './hand';

/** A hand that lets instruments speak wherever a torque or an amount is asked for. */
class InstrumentHand extends Hand {
  /** What was taken from them. */
  readonly torques: string[] = [];
  readonly amounts: string[] = [];
  constructor(
    page: Page,
    readonly instruments: Page
  ) {
    super(page);
  }
  standIn = (key: string): Locator => this.instruments.getByRole('region', { name: key, exact: true });

  override async one(): Promise<void> {
    const { card } = this;
    const amount = card.getByLabel(/^(Drained|Poured in)/);
    if (await card.getByRole('button', { name: 'Next step', exact: true }).count()) return super.one();
    if ((await card.getByRole('button', { name: 'Torqued', exact: true }).count()) > 0) {
      const pulls = card.getByRole('button', { name: 'Pulled', exact: true });
      while (await pulls.count()) await pulls.click();
      const field = card.getByLabel('Wrench set to');
      const wrench = this.standIn('torque wrench');
      await wrench.getByLabel('Shows').fill(/^[\d.]+/.exec(await field.inputValue())![0]);
      await wrench.getByRole('button', { name: 'Pull' }).click();
      await expect(field).toHaveAttribute('data-filled-by', 'Short wrench');
      await expect(this.page.getByTestId('heard')).toContainText('from Short wrench');
      this.torques.push(await field.inputValue());
      return this.press('Torqued');
    }
    if (await amount.count()) {
      const scale = this.standIn('scale');
      // 870 g of an oil of which a litre weighs 870 g are a litre.
      await scale.getByLabel('On it, g').fill('556.8');
      await scale.getByRole('button', { name: 'Send' }).click();
      await expect(amount).toHaveValue('640 ml');
      this.amounts.push(await amount.inputValue());
      return this.press('Write');
    }
    return super.one();
  }
}

test('a visit whose torques and amounts come from instruments, each with its name in the record', async ({
  work: page,
  app
}) => {
  test.setTimeout(120_000);
  const instruments = await page.context().newPage();
  await open(instruments, '/instruments');
  await expect(instruments.getByText('The line is open.')).toBeVisible();
  await instruments.getByLabel('This device listens to instruments').check();
  await instruments
    .getByRole('region', { name: 'torque wrench' })
    .getByLabel(/^Its name/)
    .fill('Short wrench');

  const machine = await app.machineId('12');
  await open(page, `/machines/${machine}/visit`);
  for (const box of await page.getByRole('checkbox').all()) if (await box.isChecked()) await box.uncheck();
  await page.getByRole('checkbox', { name: 'Gearbox oil' }).check();
  await page.getByRole('button', { name: 'Start the visit' }).click();
  await expect(page).toHaveURL(/\/visits\//);

  const hand = new InstrumentHand(page, instruments);
  // What no field waits for is said, and lands nowhere; so does what the field does not take.
  await hand.standIn('tyre gauge').getByRole('button', { name: 'Send' }).click();
  await expect(page.getByTestId('heard')).toContainText('Nothing here waits for it.');
  await hand.until('measure what came out');
  await hand.card.getByLabel(/^Drained/).focus();
  await hand.standIn('dial').getByRole('button', { name: 'Send' }).click();
  await expect(page.getByTestId('heard')).toContainText('shows a length; this field takes a volume.');
  await expect(hand.card.getByLabel(/^Drained/)).toHaveValue('');
  // A number out of reason is questioned as if it was typed; typed over, it is nobody's but the hand's.
  await hand.standIn('scale').getByLabel('On it, g').fill('87000');
  await hand.standIn('scale').getByRole('button', { name: 'Send' }).click();
  await expect(hand.card.getByLabel(/^Drained/)).toHaveValue('100000 ml');
  await hand.press('Write');
  await expect(hand.card.getByText('At most 20 L: is it the right unit?')).toBeVisible();
  await hand.card.getByLabel(/^Drained/).fill('');
  await hand.card.getByLabel(/^Drained/).pressSequentially('6');
  await expect(hand.card.getByLabel(/^Drained/)).not.toHaveAttribute('data-filled-by');
  await hand.card.getByLabel(/^Drained/).fill('');

  await hand.finish();
  expect(hand.torques.length).toBeGreaterThan(0);
  expect(hand.amounts).toEqual(['640 ml', '640 ml']);
  await page.getByRole('button', { name: 'Close the visit' }).click();
  await expect(page).toHaveURL(/\/records\//);
  await expect(page.getByText('read off by Short wrench').first()).toBeVisible();
  const [{ content }] = (await app.sql`
    select content from service_record where machine_id = ${machine} and visit_id is not null order by created_at desc limit 1`) as unknown as [
    { content: { instruments: { said: string; instrument: string }[] } }
  ];
  expect(
    content.instruments
      .filter((i) => i.instrument === 'Short wrench')
      .map((i) => i.said)
      .sort()
  ).toEqual(hand.torques.toSorted());
  expect(
    content.instruments.filter((i) => i.instrument === 'Scale under the jug').map((i) => i.said)
  ).toEqual(['640 ml', '640 ml']);
});

test('hours from a wireless meter: of its own machine, and the meter of another is asked about', async ({
  work: page,
  app
}) => {
  const instruments = await page.context().newPage();
  await open(instruments, '/instruments');
  await instruments.getByLabel('This device listens to instruments').check();
  const meter = instruments.getByRole('region', { name: 'hour meter' });
  const machine = await app.machineId('5');
  const [{ value }] = (await app.sql`
    select value from reading_in_force where machine_id = ${machine} and value is not null order by read_at desc limit 1`) as unknown as [
    { value: number }
  ];
  const next = (value / 100 + 1).toFixed(1);

  await open(page, `/machines/${machine}`);
  await page.keyboard.press('l');
  const field = page.getByLabel('Meter shows, h');
  await expect(page.getByLabel('Machine', { exact: true })).toHaveValue(machine);
  await expect(field).toHaveAttribute('data-of', '5');
  await meter.getByLabel('Hangs on').selectOption('12');
  await meter.getByLabel('Shows').fill(next);
  await meter.getByRole('button', { name: 'Send what it shows' }).click();
  await expect(page.getByTestId('heard')).toContainText('hangs on 12; this field is about 5.');
  await expect(field).toHaveValue('');
  await meter.getByLabel('Hangs on').selectOption('5');
  await meter.getByRole('button', { name: 'Send what it shows' }).click();
  await expect(field).toHaveValue(String(Number(next)));
  await page.getByRole('button', { name: 'Log', exact: true }).click();
  await expect(page.getByText(/^5 stands at/)).toBeVisible();
  expect(
    await app.sql`select value, instrument from reading where machine_id = ${machine} order by created_at desc limit 1`
  ).toEqual([{ value: Math.round(Number(next) * 100), instrument: 'Hour meter, wireless' }]);
});
