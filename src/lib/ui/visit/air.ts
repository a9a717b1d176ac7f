import { AIR_DAYS } from '$lib/core/fluids/air';
import { daysBetween, type Day } from '$lib/core/time/day';
import { keep, kept, texts } from '../base/kept';

/** What somebody wrote of the air on this device: asked once, it holds until the weeks it was for are over. */
const NAME = 'ht_air';

export const rememberAir = (text: string, on: Day): void => keep('device', NAME, { text, on });

export function rememberedAir(today: Day): string {
  const { text = '', on = '' } = texts(kept('device', NAME));
  return text && /^\d{4}-\d\d-\d\d$/.test(on) && Math.abs(daysBetween(on, today)) < AIR_DAYS ? text : '';
}
