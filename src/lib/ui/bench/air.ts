import { AIR_DAYS } from '$lib/core/fluids/air';
import { daysBetween, type Day } from '$lib/core/time/day';

/** What somebody wrote of the air on this device: asked once, it holds until the weeks it was for are over. */
const KEY = 'ht_air';

export function rememberAir(text: string, on: Day): void {
  try {
    localStorage.setItem(KEY, JSON.stringify({ text, on }));
  } catch {
    // Private windows keep nothing; it is asked again.
  }
}

export function rememberedAir(today: Day): string {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? 'null') as { text: string; on: Day } | null;
    return kept && Math.abs(daysBetween(kept.on, today)) < AIR_DAYS ? kept.text : '';
  } catch {
    return '';
  }
}
