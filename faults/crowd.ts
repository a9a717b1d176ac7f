import { pause, Place, ride, writers, type Command } from './place';
import type { Result } from './run';

/** Of one visit, what anybody may write at any time. */
const thing = (visitId: string): Command => {
  const id = crypto.randomUUID();
  return {
    id,
    kind: 'visit.enter',
    at: new Date().toISOString(),
    body: {
      visitId,
      entry: {
        id,
        stepKey: null,
        itemKey: null,
        action: 'thing out',
        content: { what: 'key', name: 'Hex key', count: 1 }
      }
    }
  };
};

/** Twenty at one visit and twenty at one machine, for some time: nothing breaks, and what is kept equals what a full replay says. */
export async function crowd(seconds: number): Promise<Result> {
  const place = await Place.open();
  try {
    const [visit] = await place.sql`select id from visit where closed_at is null and given_up_at is null`;
    const atVisit = writers(place, 20, () => thing(visit!.id as string));
    const atMachine = writers(place, 20, () => ride(place.machineId));
    await pause(seconds * 1000);
    await Promise.all([atVisit.stop(), atMachine.stop()]);
    const { lost, doubled } = await place.once([...atVisit.acknowledged, ...atMachine.acknowledged]);
    const standings = () =>
      place.sql`select machine_id, total, ready, tasks from machine_standing order by machine_id`;
    const kept = JSON.stringify(await standings());
    // Thrown away, they are made anew from all that was ever written when a server starts.
    await place.server.stop();
    await place.sql`delete from machine_standing`;
    await place.server.start();
    const same = JSON.stringify(await standings()) === kept;
    const odd = [...atVisit.odd, ...atMachine.odd];
    return {
      ok: lost === 0 && doubled === 0 && same && odd.length === 0,
      figures: `20 clients at one visit and 20 at one machine for ${seconds} s: ${atVisit.acknowledged.length} entries and ${atMachine.acknowledged.length} readings, ${lost} lost, ${doubled} doubled, ${odd.length} answers that are none; standings ${same ? 'equal' : 'DIFFER FROM'} a full replay`,
      odd
    };
  } finally {
    await place.close();
  }
}
