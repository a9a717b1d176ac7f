import type { Locator, Page } from '@playwright/test';
import { WebSocket } from 'ws';
import { expect, open, test } from './app';
import { keyOf } from './sign-in';
import { Hand } from './hand';

/** A reading that is said before a page has its line open is not heard. */
const listening = (page: Page) => expect(page.getByTestId('heard')).toHaveAttribute('data-line', 'open');

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
  await listening(page);
  // What no field waits for is said, and lands nowhere; so does what the field does not take.
  await hand.standIn('tyre gauge').getByRole('button', { name: 'Send' }).click();
  await expect(page.getByTestId('heard')).toContainText('Nothing here waits for it.');
  await hand.until('measure what came out');
  await hand.card.getByLabel(/^Drained/).focus();
  await hand.standIn('dial').getByRole('button', { name: 'Send' }).click();
  await expect(page.getByTestId('heard')).toContainText('shows a length; this field takes a volume.');
  await expect(hand.card.getByLabel(/^Drained/)).toHaveValue('');
  // A number out of reason is questioned as if it was typed.
  await hand.standIn('scale').getByLabel('On it, g').fill('87000');
  await hand.standIn('scale').getByRole('button', { name: 'Send' }).click();
  await expect(hand.card.getByLabel(/^Drained/)).toHaveValue('100000 ml');
  await hand.press('Write');
  await expect(hand.card.getByText('At most 20 L: is it the right unit?')).toBeVisible();
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

test('a program without a page speaks on the address the page names; what lies at another bench is not listened to', async ({
  work: page,
  app
}) => {
  const instruments = await page.context().newPage();
  await open(instruments, '/instruments');
  await instruments.getByLabel('This device listens to instruments').check();
  const address = (await instruments.getByTestId('line').textContent())!;
  const program = new WebSocket(address, {
    headers: { authorization: `Bearer ${await keyOf(app.sql, 'Jory Pell')}` }
  });
  await new Promise((done, fail) => program.once('open', done).once('error', fail));
  // Without a key, nobody's line is opened.
  await expect(
    new Promise((done, fail) => new WebSocket(address).once('open', done).once('error', fail))
  ).rejects.toThrow('403');
  const says = (value: number, id = crypto.randomUUID()) =>
    program.send(
      JSON.stringify({ v: 1, id, instrument: 'Meter of 5', at: new Date().toISOString(), value, unit: 'h' })
    );

  await open(page, `/machines/${await app.machineId('5')}`);
  await page.keyboard.press('l');
  const field = page.getByLabel('Meter shows, h');
  await expect(field).toHaveAttribute('data-of', '5');
  await listening(page);
  const said = crypto.randomUUID();
  says(50.1, said);
  await expect(field).toHaveValue('50.1');
  // Said again, it is the same reading: what was typed since stands.
  await field.fill('50.2');
  says(50.1, said);
  says(60, crypto.randomUUID());
  await expect(field).toHaveValue('60');

  // Somebody who is typing elsewhere is not torn away.
  await page.getByLabel('Remark').focus();
  says(61);
  await expect(field).toHaveValue('61');
  await expect(page.getByLabel('Remark')).toBeFocused();

  await expect(instruments.getByRole('row').filter({ hasText: '61 h' })).toBeVisible();
  await instruments.getByRole('button', { name: 'do not listen to Meter of 5' }).first().click();
  await expect(instruments.getByText('This device does not listen to:')).toContainText('Meter of 5');
  says(70);
  await expect(instruments.getByRole('row').filter({ hasText: '70 h' })).toBeVisible();
  // A line that comes after it has landed: that one has not.
  program.send(
    JSON.stringify({
      v: 1,
      id: crypto.randomUUID(),
      instrument: 'Other',
      at: new Date().toISOString(),
      value: 71,
      unit: 'h'
    })
  );
  await expect(field).toHaveValue('71');
  await expect(page.getByTestId('heard')).toHaveText('71 from Other');
  program.close();
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
  await listening(page);
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
  const latest = (of: string) =>
    app.sql`select value, instrument from reading where machine_id = ${of} order by created_at desc limit 1`;
  expect(await latest(machine)).toEqual([
    { value: Math.round(Number(next) * 100), instrument: 'Hour meter, wireless' }
  ]);

  // Typed over, it is the hand's.
  const other = await app.machineId('12');
  await open(page, `/machines/${other}`);
  await page.keyboard.press('l');
  await expect(field).toHaveAttribute('data-of', '12');
  await listening(page);
  await meter.getByLabel('Hangs on').selectOption('12');
  await meter.getByLabel('Shows').fill('119');
  await meter.getByRole('button', { name: 'Send what it shows' }).click();
  await expect(field).toHaveValue('119');
  await field.fill('119.5');
  await page.getByRole('button', { name: 'Log', exact: true }).click();
  await expect(page.getByText(/^12 stands at/)).toBeVisible();
  expect(await latest(other)).toEqual([{ value: 11_950, instrument: '' }]);
});
