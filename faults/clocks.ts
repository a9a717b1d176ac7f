import { finding, Place } from './place';
import type { Result } from './run';

const HOUR = 3_600_000;
const OFF = [HOUR, -HOUR, 24 * 365 * HOUR, -24 * 365 * HOUR];
/** What had waited on the device for so long is of so long ago, whatever its clock says. */
const WAITED = 2 * HOUR;
/** An answer takes a while, ms. */
const CLOSE = 5000;

/** Devices whose clock is an hour or a year out write what had waited: it is put at the right moment, and how far it was out is kept. */
export async function clocks(): Promise<Result> {
  const place = await Place.open();
  try {
    const odd: string[] = [];
    for (const off of OFF) {
      const now = Date.now();
      const command = finding(place.machineId);
      command.at = new Date(now + off - WAITED).toISOString();
      const { outcomes, text } = await place.send([command], new Date(now + off).toISOString());
      const [row] = await place.sql`
        select c.at, c.clock_ahead_s as ahead, f.found_at from command c join finding f on f.id = ${command.body.id as string} where c.id = ${command.id}`;
      const right = (at: Date) => Math.abs(at.getTime() - (now - WAITED)) < CLOSE;
      if (!outcomes[0]?.ok || !row) odd.push(text.slice(0, 300));
      else if (
        !right(row.at as Date) ||
        !right(row.found_at as Date) ||
        Math.abs((row.ahead as number) * 1000 - off) > CLOSE
      )
        odd.push(`${off / HOUR} h out: ${JSON.stringify(row)}`);
    }
    return {
      ok: odd.length === 0,
      figures: `clocks an hour and a year out, both ways: ${OFF.length - odd.length} of ${OFF.length} put at the right moment, and how far they were out kept`,
      odd
    };
  } finally {
    await place.close();
  }
}
