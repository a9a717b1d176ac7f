import { COMMANDS, type Kind } from '../../src/lib/core/command/commands';
import { Refusal } from '../../src/lib/server/base/refusal';
import { uuid } from './book';
import { command } from './hands';
import { later, type Pit } from './pit';

/** A small generator of its own, so that a book that fails can be written again. */
function dice(seed: number) {
  let s = seed;
  const next = () => (s = (s * 1_103_515_245 + 12_345) % 2_147_483_648) / 2_147_483_648;
  return {
    below: (n: number) => Math.floor(next() * n),
    pick: <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)]!
  };
}

/**
 * Writes a random book in a random order: readings late, estimated and struck out, meters replaced, dead and added, engines
 * swapped to and fro.
 *
 * @param after what is looked at after each write, by its number
 * @returns how many of them were taken
 */
export async function writeAtRandom(
  pit: Pit,
  seed: number,
  writes: number,
  after: (n: number) => Promise<void> = async () => {}
): Promise<number> {
  const d = dice(seed);
  const { sql } = pit;
  const { book } = pit;
  const machines = [book.machineId, pit.other];
  let taken = 0;
  const send = async (kind: Exclude<Kind, 'team.found'>, body: object, hours: number) => {
    try {
      await command(
        sql,
        book.team,
        book.personId,
        kind,
        COMMANDS[kind].parse(body) as never,
        later(hours),
        uuid()
      );
      taken += 1;
    } catch (e) {
      if (!(e instanceof Refusal)) throw e;
    }
  };
  for (let i = 0; i < writes; i++) {
    const machineId = d.pick(machines);
    const now = 24 * (3 + i) + 400 * (seed % 5);
    // Often of a day gone by.
    const day = later(now - 24 * d.below(9))
      .toISOString()
      .slice(0, 10);
    const today = later(now).toISOString().slice(0, 10);
    const ride = {
      outing: d.pick(['ride', 'race', 'moto']),
      conditions: d.pick([[], ['mud'], ['dust', 'heat']]),
      sure: true
    };
    switch (d.below(9)) {
      case 0:
      case 1:
        await send(
          'reading.log',
          { id: uuid(), machineId, typed: `+${d.below(40) / 10}`, day, ...ride },
          now
        );
        break;
      case 2:
      case 3: {
        const [s] = await sql`
          select r.value from reading_in_force r join meter m on m.id = r.meter_id and m.removed_at is null and m.counts = 'hours'
          where r.machine_id = ${machineId} and r.value is not null order by read_at desc limit 1`;
        const typed = String(((s?.value as number | undefined) ?? 0) / 100 + d.below(30) / 10);
        await send(
          'reading.log',
          {
            id: uuid(),
            machineId,
            typed,
            day: d.pick([day, today]),
            ...ride,
            settlement: d.pick([null, { as: 'reading is right', reason: 'seen' }])
          },
          now
        );
        break;
      }
      case 4: {
        const list = await sql`select id from reading_in_force where machine_id = ${machineId} order by id`;
        if (list.length > 2) await send('reading.strike', { readingId: d.pick(list).id, reason: 'odd' }, now);
        break;
      }
      case 5:
        await send(
          'component.swap',
          { id: uuid(), componentId: pit.a, withId: pit.b, day: today, reason: '' },
          now
        );
        break;
      case 6: {
        const change = d.pick(['replaced', 'dead', 'works again', 'reset', 'removed', 'odometer added']);
        await send(
          'meter.change',
          {
            id: uuid(),
            machineId,
            change,
            day: d.pick([day, today]),
            lastValue: '',
            firstValue: change === 'works again' ? '' : '1'
          },
          now
        );
        break;
      }
      case 7:
        await send(
          'task.done',
          { id: uuid(), taskId: d.pick([book.taskId, pit.oilA, pit.oilB]), day, reason: 'open' },
          now
        );
        break;
      default:
        await send(
          'reading.log',
          { id: uuid(), machineId, typed: '', day, distance: `${10 + d.below(50)}`, ...ride },
          now
        );
    }
    await after(i);
  }
  return taken;
}
