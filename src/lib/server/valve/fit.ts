import { NOTHING } from '../../core/valve/check';
import type { FitInput } from '../../core/valve/form';
import { gaugeOf, isShimmed, shortName } from '../../core/valve/head';
import { showUm } from '../../core/valve/limits';
import { thickness, type Shim } from '../../core/valve/shim';
import { writeMeasured } from '../../core/valve/stored';
import type { Tx } from '../base/db';
import { useHead } from './heads';
import { refuse } from '../base/refusal';
import { useOpenCheck, useValve } from './checks';
import type { Write } from '../book/under-way';

/** What sits in each valve of a head now, by valve. */
async function inNow(tx: Tx, teamId: string, headId: string): Promise<Map<string, Shim>> {
  const rows = await tx`
    select distinct on (valve) valve, stamp, measured from valve_shim where team_id = ${teamId} and head_id = ${headId} order by valve, at desc, seq desc`;
  return new Map(rows.map((r) => [r.valve as string, { stamp: r.stamp, measured: r.measured }]));
}

/**
 * Writes down the shims that went in, all together: what came out of one valve may have gone into another; the rest of it lands
 * in the drawer, and what was taken from there is gone from it.
 */
export async function fitShims(w: Write, input: FitInput): Promise<void> {
  const { tx, team, personId, at } = w;
  const check = await useOpenCheck(tx, team.id, input.checkId);
  const head = await useHead(tx, team.id, check.headId);
  const across = head.acrossUm ?? 0;
  // The drawer is one for the team: two who take the last of a size take turns.
  await tx`select 1 from team where id = ${team.id} for no key update`;
  const sat = await inNow(tx, team.id, head.id);
  const found = await tx`
    select distinct valve from valve_reading where team_id = ${team.id} and check_id = ${check.id} and stage = 'found'`;
  const touched = new Set(input.fits.map((f) => f.valve));
  const moved = new Set(input.fits.flatMap((f) => f.of ?? []));
  for (const [i, f] of input.fits.entries()) {
    const field = (name: string) => `fits.${i}.${name}`;
    const valve = useValve(head, f.valve, field('valve'));
    if (!isShimmed(gaugeOf(head.layout, valve.side))) refuse(field('valve'), 'It has a screw and no shim.');
    if (!found.some((x) => x.valve === f.valve))
      refuse(field('valve'), 'It was not measured as found: nobody could say what the shim did.');
    if (f.of !== null) {
      if (!touched.has(f.of)) refuse(field('of'), 'That valve gave its shim and gets none.');
      const given = sat.get(f.of);
      if (!given || thickness(given) !== thickness(f)) refuse(field('of'), 'Another shim sits there.');
    }
    const its = sat.get(f.valve);
    if ((its ? thickness(its) : null) !== f.was)
      refuse(field('valve'), 'Another shim sits there by now: somebody else has been at it. Look again.');
    if (f.from === 'drawer') {
      const same = input.fits.filter(
        (x) => x.from === 'drawer' && x.stamp === f.stamp && x.measured === f.measured
      );
      await needs(tx, team.id, across, f, same.length, field('stamp'));
    }
  }
  const why = (valve: string) => shortName(head.layout, useValve(head, valve, ''));
  const move = (s: Shim, count: number, words: string, valve: string) => tx`
    insert into shim_movement (team_id, id, across, stamp, measured, count, why, check_id, valve, at, by)
    values (${team.id}, ${crypto.randomUUID()}, ${across}, ${s.stamp}, ${s.measured}, ${count}, ${words}, ${check.id}, ${valve}, ${at}, ${personId})`;
  for (const f of input.fits) {
    await tx`
      insert into valve_shim (team_id, id, head_id, check_id, valve, stamp, measured, why, at, by)
      values (${team.id}, ${f.id}, ${head.id}, ${check.id}, ${f.valve}, ${f.stamp}, ${f.measured}, 'fitted', ${at}, ${personId})`;
    // Another shim: what it was measured as left with the one before says nothing any more.
    await tx`
      insert into valve_reading (team_id, id, check_id, valve, stage, content, at, by)
      select ${team.id}, ${crypto.randomUUID()}, ${check.id}, ${f.valve}, 'left', ${tx.json(writeMeasured(NOTHING) as never)}, ${at}, ${personId}
      where exists (select 1 from valve_reading where team_id = ${team.id} and check_id = ${check.id} and valve = ${f.valve} and stage = 'left')`;
    if (f.from === 'drawer') await move(f, -1, `fitted: ${why(f.valve)}`, f.valve);
  }
  for (const valve of touched) {
    const out = sat.get(valve);
    if (!out || moved.has(valve)) continue;
    const measured = input.out.find((o) => o.valve === valve)?.measured ?? out.measured;
    await move({ ...out, measured }, 1, `taken out: ${why(valve)}`, valve);
  }
}

/** There have to be so many of it in the drawer. */
async function needs(
  tx: Tx,
  teamId: string,
  across: number,
  s: Shim,
  wanted: number,
  field: string
): Promise<void> {
  const [row] = await tx`
    select coalesce(sum(count), 0)::int as count from shim_movement
    where team_id = ${teamId} and across = ${across} and stamp is not distinct from ${s.stamp} and measured is not distinct from ${s.measured}`;
  const there = row!.count as number;
  if (there < wanted)
    refuse(
      field,
      `By the book there ${there < 1 ? 'is no' : `are only ${there} of`} ${showUm(thickness(s)!)} in the drawer. Count it, or say that it was bought.`
    );
}
