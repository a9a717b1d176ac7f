import { rideOf, type Ride } from '$lib/core/track/track';
import type { Day } from '$lib/core/time/day';
import { readIcs, type ReadFile } from './calendar';
import { readTrack } from './track';

/** Reads a file that somebody picked, away from the screen: what is in it may take as long as its writer liked. */
export type FileRequest =
  | { kind: 'track'; bytes: ArrayBuffer; timeZone: string }
  | { kind: 'calendar'; text: string; timeZone: string; today: Day };
export type ReadRide = { ok: true; ride: Ride | null } | { ok: false; message: string };
export interface FileAnswer {
  track: ReadRide;
  calendar: ReadFile;
}

async function readRide(bytes: ArrayBuffer, timeZone: string): Promise<ReadRide> {
  const read = await readTrack(bytes);
  return read.ok ? { ok: true, ride: rideOf(read.segments, timeZone) } : read;
}

addEventListener('message', async ({ data }: MessageEvent<FileRequest>) => {
  postMessage(
    data.kind === 'track'
      ? await readRide(data.bytes, data.timeZone)
      : readIcs(data.text, data.timeZone, data.today)
  );
});
