import { afterAll, beforeAll, expect, it } from 'vitest';
import { writeAtRandom } from '../../../../tests/database/at-random';
import { Pit } from '../../../../tests/database/pit';
import { rebuildStanding } from './standing';

/**
 * Random books, written in a random order. After every write what stands is what working it out from the first line gives.
 */
let pit: Pit;
beforeAll(async () => {
  pit = await Pit.open();
});
afterAll(() => pit.book.close());

it.each([1, 7, 42, 2026])(
  'book %i stands the same from its checkpoints and from its first line',
  async (seed) => {
    const { sql, book } = pit;
    const taken = await writeAtRandom(pit, seed, 30, async (i) => {
      if (i % 3 !== 2) return;
      const standings = await sql`select * from machine_standing order by machine_id`;
      const steps = await sql`select * from count_step order by machine_id, at, ord`;
      const parts = await sql`select id, total from component order by id`;
      const records = await sql`select id, hours from service_record order by id`;
      for (const m of [book.machineId, pit.other]) await rebuildStanding(sql, book.team.id, m);
      expect(await sql`select * from count_step order by machine_id, at, ord`).toEqual(steps);
      expect(await sql`select * from machine_standing order by machine_id`).toEqual(standings);
      expect(await sql`select id, total from component order by id`).toEqual(parts);
      expect(await sql`select id, hours from service_record order by id`).toEqual(records);
    });
    expect(taken).toBeGreaterThan(8);
  }
);
