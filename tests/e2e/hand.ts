import { expect, type Locator, type Page } from '@playwright/test';

/** A mechanic's hand at the bench: does whatever the step on screen asks for, as the sheet has it. */
export class Hand {
  readonly card: Locator;
  constructor(readonly page: Page) {
    this.card = page.getByRole('article', { name: /^Step/ });
  }

  title = async (): Promise<string> => (await this.card.getByRole('heading').first().textContent()) ?? '';
  at = (title: string | RegExp): Promise<void> =>
    expect(this.card.getByRole('heading').first()).toHaveText(title);
  press = (name: string): Promise<void> => this.card.getByRole('button', { name, exact: true }).click();
  #has = async (name: string): Promise<boolean> =>
    (await this.card.getByRole('button', { name, exact: true }).count()) > 0;

  /** Works on until the step of that title is on screen. */
  async until(title: string): Promise<void> {
    for (let k = 0; k < 120; k++) {
      if ((await this.title()).includes(title)) return;
      await this.one();
    }
    throw new Error(`never came to “${title}”; stands at “${await this.title()}”`);
  }

  /** Works on until nothing is left but to close. */
  async finish(): Promise<void> {
    for (let k = 0; k < 120; k++) {
      const closing = this.page.getByRole('button', { name: 'Close the visit' });
      const bar = this.page.getByRole('progressbar', { name: 'Steps done' });
      const [done, of] = [await bar.getAttribute('value'), await bar.getAttribute('max')];
      if (done === of) {
        await expect(closing).toBeVisible();
        return;
      }
      await this.one();
    }
    throw new Error(`never finished; stands at “${await this.title()}”`);
  }

  /** One press, or one step, whichever is next. */
  async one(): Promise<void> {
    const { card } = this;
    const title = await this.title();
    if (await this.#has('Next step')) await this.press('Next step');
    else if (await this.#has('This oil')) {
      const cans = card.getByRole('radiogroup', { name: 'Oil' }).getByRole('radio');
      // Nothing in the stores: as the can says.
      if (await cans.count()) await cans.first().click();
      else await card.getByLabel(/^Another/).fill('Hollin Gear 75W-80, JASO MA2');
      await this.press('This oil');
    } else if (await this.#has('Off')) {
      const which = card.getByRole('radiogroup', { name: 'Which one' });
      if (await which.count()) await which.getByRole('radio').first().click();
      await this.press('Off');
    } else if (await card.getByRole('radiogroup', { name: 'What was found' }).count()) {
      await card.getByRole('radio', { name: 'grey paste or fuzz' }).click();
      await this.press('Write');
    } else if (await this.#has('Back in, seated')) await this.press('Back in, seated');
    else if (await this.#has('Shut')) await this.press('Shut');
    else if (await this.#has('Pulled')) await this.press('Pulled');
    else if (await this.#has('Torqued')) await this.press('Torqued');
    else if (await card.getByLabel(/^Drained/).count()) {
      await card.getByLabel(/^Drained/).fill(title.includes('x') ? '640' : '900');
      await this.press('Write');
    } else if (await card.getByLabel(/^Poured in/).count()) {
      await card.getByLabel(/^Poured in/).fill(title.includes('gearbox') ? '640' : '900');
      await this.press('Write');
    } else if (await this.#has('Write the level')) {
      const slider = card.getByRole('slider');
      // Nobody here waits for the oil to settle: that is said.
      await card.getByLabel(/^Remark/).fill('settled, by the clock of a test');
      if (await slider.count()) await slider.first().fill('0.6');
      else await card.getByRole('radio', { name: 'weeps' }).click();
      await this.press('Write the level');
    } else if (await this.#has('It has run')) await this.press('It has run');
    else await this.press('Done');
    await this.page.waitForTimeout(60);
  }
}
