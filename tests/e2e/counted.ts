import { expect, type Page } from '@playwright/test';
import { Hand } from './hand';

export interface Counted {
  clicks: number;
  fields: number;
  /** The words of what was pressed, in order. */
  pressed: string[];
}

/** Presses and fields of a person, as the page itself sees them: real ones only, each field once; a tick is a press. */
export async function counted(page: Page): Promise<() => Promise<Counted>> {
  const totals: Counted = { clicks: 0, fields: 0, pressed: [] };
  await page.exposeBinding('counted', (_, kind: 'clicks' | 'fields', words?: string) => {
    totals[kind]++;
    if (words !== undefined) totals.pressed.push(words);
  });
  const count = () => {
    const tell = (window as unknown as { counted: (kind: string, words?: string) => void }).counted;
    const seen = new WeakSet<EventTarget>();
    // The driver holds back a press whose target moved away under it, and presses again: that was no press.
    addEventListener(
      'pointerdown',
      (e) => {
        const words = e.target instanceof HTMLElement ? e.target.innerText.trim().slice(0, 40) : '';
        if (e.isTrusted) setTimeout(() => !e.defaultPrevented && tell('clicks', words));
      },
      true
    );
    addEventListener(
      'input',
      (e) => {
        const ticked = e.target instanceof HTMLInputElement && ['checkbox', 'radio'].includes(e.target.type);
        if (!e.target || ticked || seen.has(e.target)) return;
        seen.add(e.target);
        tell('fields');
      },
      true
    );
  };
  await page.addInitScript(count);
  return async () => ({ ...totals, pressed: [...totals.pressed] });
}

/** A practised hand on the whole sheet: runs in one press, one press a line, amounts in place. */
export async function onTheSheet(page: Page, amount = '900'): Promise<void> {
  const sheet = page.getByRole('list', { name: 'The sheet' });
  const left = sheet.getByRole('listitem').filter({ has: page.getByLabel('to do') });
  const hand = new Hand(page);
  for (let k = 0; k < 60; k++) {
    const before = await left.count();
    if (before === 0) return;
    const line = left.first();
    const run = line.getByRole('button', { name: /in one press/ });
    const words = await line.locator('.press').getByRole('button').allTextContents();
    const title = (await line.locator('.what').textContent())!.toLowerCase();
    // Of twins the one of the title; a level stands half-way; of what is found, nothing.
    const mine = words.findIndex((w) => title.includes(w.trim().replace(', off', '').toLowerCase()));
    const one = line
      .locator('.press')
      .getByRole('button')
      .nth(Math.max(0, mine, words.indexOf('Half-way')));
    if (await line.getByLabel(/^(Drained|Poured in)/).count()) {
      await line.getByLabel(/^(Drained|Poured in)/).fill(amount);
      await page.keyboard.press('Enter');
    } else if (await run.count()) await run.click();
    else if ((await one.textContent())?.trim() !== 'Write …') await one.click();
    else {
      await one.click();
      await hand.one();
    }
    await expect.poll(() => left.count()).toBeLessThan(before);
  }
}

/** A practised hand that has done it away from the app: amounts, what was seen, all closed as it stands there. */
export async function writtenDown(page: Page): Promise<void> {
  const form = page.getByRole('form', { name: 'Write it down' });
  await form.getByLabel(/^Drained/).fill('900');
  await form.getByLabel(/^Poured in/).fill('900');
  for (const paste of await form.getByText('grey paste or fuzz', { exact: true }).all()) await paste.click();
  await form.getByText('Half-way', { exact: true }).click();
  await form.getByRole('checkbox', { name: /^All \d+, as they stand here/ }).check();
  await form.getByRole('button', { name: 'Write it down and close' }).click();
}
