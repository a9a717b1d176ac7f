import { keep, kept } from '../base/kept';

const NAME = 'ht_instruments_elsewhere';

/** Instruments that lie at another bench: this device does not listen to them. */
export function muted(): string[] {
  const was = kept('device', NAME);
  return Array.isArray(was) ? was.filter((n) => typeof n === 'string') : [];
}
export const isMuted = (instrument: string): boolean => muted().includes(instrument);

/** From now on this device listens to it, or does not. @returns those it does not listen to */
export function mute(instrument: string, off: boolean): string[] {
  const now = [...muted().filter((n) => n !== instrument), ...(off ? [instrument] : [])];
  keep('device', NAME, now);
  return now;
}
