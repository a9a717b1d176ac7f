import { expect, type Page } from '@playwright/test';

/** Where a round on screen stands. */
export const stand = (page: Page) => page.getByRole('status', { name: 'Where the round stands' });

/** A machine whose things are all as they should be, tapped through. @returns how many taps it took */
export async function allWell(page: Page): Promise<number> {
  let taps = 0;
  const left = stand(page).getByText(/^\d+ of \d+$/);
  while ((await left.count()) > 0) {
    const before = await left.textContent();
    // What wants a number or a word first, then the looks of that side.
    const keys = page
      .locator('.check')
      .filter({ has: page.locator('.keys') })
      .first();
    const well = keys.locator('.keys .yes').first();
    if ((await keys.count()) === 0)
      await page
        .getByRole('button', { name: /^All as it should be/ })
        .first()
        .click();
    else if ((await well.count()) > 0) await well.click();
    else await keys.locator('.keys .key.figure').first().click();
    taps += 1;
    await expect(stand(page)).not.toContainText(before!);
  }
  return taps;
}
