/**
 * Engine hours, in whole hundredths of an hour (36 s): finer than any meter reads, and free of rounding drift.
 */
export type Centihours = number;

/** The most an hour meter of a bike or quad could ever show; anything above is a slip of the hand. */
export const MOST_CENTIHOURS = 10_000_000;

/** Hours as whole hundredths. */
export function centihours(hours: number): Centihours {
  return Math.round(hours * 100);
}

/** Hundredths to the tenth a meter shows, for what is worked out and never read: `18.4`. Nought has no sign. */
export function showTenths(c: Centihours): string {
  const tenths = Math.round(c / 10);
  return (tenths === 0 ? 0 : tenths / 10).toFixed(1);
}

/** Hundredths as text: `38.4`, `0.25`, `-1.3`; at least one decimal, so that it reads as a meter does. */
export function showHours(c: Centihours): string {
  const rounded = Math.round(c);
  const sign = rounded < 0 ? '-' : '';
  const whole = Math.trunc(Math.abs(rounded) / 100);
  const part = String(Math.abs(rounded) % 100).padStart(2, '0');
  return `${sign}${whole}.${part.endsWith('0') ? part[0] : part}`;
}
