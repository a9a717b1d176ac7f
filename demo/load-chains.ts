import type { Stage } from '../src/lib/core/chain/check';
import { nextWithin, setWear } from '../src/lib/core/chain/sheet';
import {
  writeDressing,
  writeDrive,
  writeLength,
  writeLook,
  type KeptLook
} from '../src/lib/core/chain/stored';
import { keptRules } from '../src/lib/core/rules/stored';
import type { Team } from '../src/lib/core/team/team';
import type { Day } from '../src/lib/core/time/day';
import { chainSheet } from '../src/lib/server/chain/sheet';
import type { Db } from '../src/lib/server/base/db';
import { CHAINS, type DemoChain } from './chains';
import { COMPONENTS } from './components';
import { chance, firstTotal, type DemoOuting } from './history';
import { at, DEMO_TEAM_ID, person, uid } from './ids';
import { usual, type DemoMachine } from './machine';
import { riddenAs } from './people';

const PITCHES = 20;
const team_id = DEMO_TEAM_ID;
const half = (mm: number) => Math.round(mm * 2) / 2;

/**
 * The chain of a machine over its season: slack at each of its marks, its length at every second, how it looked, and how it was
 * dressed.
 *
 * @param marks running totals (hundredths) at which its chain task was done, the first first, with the record of each
 */
export async function loadChain(
  tx: Db,
  m: DemoMachine,
  today: Day,
  rides: readonly DemoOuting[],
  marks: readonly { total: number; recordId: string }[]
): Promise<void> {
  const c = CHAINS.find((x) => x.machine === m.slug);
  if (!c) return;
  const machine_id = uid(m.slug);
  const chain = COMPONENTS.find((p) => p.slug === `${m.slug}-chain`);
  const component_id = chain ? uid(chain.slug) : null;
  const last = at(rides.at(-1)!.day, 700);
  await tx`insert into chain_drive ${tx({ team_id, machine_id, content: tx.json(writeDrive(c.drive) as never) as never, changed_at: last, changed_by: person('jory') })}`;
  // At the bench from now on by the product's own job.
  await tx`update task set job = 'chain' where team_id = ${team_id} and machine_id = ${machine_id} and name = ${usual.chain}`;
  const next = chance(`${m.slug}/chain`);
  const begin = firstTotal(m, today);
  for (const [n, { total, recordId }] of marks.entries()) {
    const ride = Math.max(
      0,
      rides.findLastIndex((r) => r.total <= total)
    );
    const when = at(rides[ride]!.day, 640 + ride);
    const by = person(next() < 0.6 ? 'jory' : 'anwen');
    await slackCheck(tx, c, {
      id: uid(`${m.slug}/slack/${n}`),
      machine_id,
      component_id,
      when,
      by,
      recordId,
      n,
      next
    });
    const entry = (kind: string, content: object, minutes: number) =>
      tx`insert into chain_entry ${tx({ team_id, id: uid(`${m.slug}/${kind}/${n}`), machine_id, component_id, kind, content: tx.json(content as never) as never, at: new Date(when.getTime() + minutes * 60_000), by })}`;
    await entry(
      'dressing',
      writeDressing({ cleaned: true, dressing: n < marks.length / 2 ? 'lube' : 'wax' }),
      25
    );
    if (c.wear && (n % 2 === 0 || n === marks.length - 1)) {
      const pitch = c.figures.find(([key]) => key === 'chain pitch')![1] as number;
      const grown = growth(c.wear, rides, begin, total);
      const measured = Math.round(PITCHES * pitch * (1 + grown / 100) * 10) / 10;
      await entry('length', writeLength({ measured, pitches: PITCHES, pitch }), 5);
    }
    if (n === marks.length - 1 && c.wear) await entry('look', writeLook(LOOK), 8);
  }
}
const LOOK: KeptLook = {
  front: 'rounded',
  rear: 'rounded',
  joint: 'clip, closed end leading',
  stiff: 0,
  guides: 'grooved',
  note: ''
};

/** Percent: by the hours on clean ground and in mud since the book began. */
function growth(
  wear: NonNullable<DemoChain['wear']>,
  rides: readonly DemoOuting[],
  begin: number,
  total: number
): number {
  let grown = 0.06;
  for (const r of rides) {
    if (r.total > total || r.total <= begin) continue;
    grown += (r.used / 100) * (riddenAs(r.remark).conditions.includes('mud') ? wear.mud : wear.clean);
  }
  return grown;
}

async function slackCheck(
  tx: Db,
  c: DemoChain,
  k: {
    id: string;
    machine_id: string;
    component_id: string | null;
    when: Date;
    by: string;
    recordId: string;
    n: number;
    next: () => number;
  }
): Promise<void> {
  await tx`insert into chain_check ${tx({
    team_id,
    id: k.id,
    machine_id: k.machine_id,
    component_id: k.component_id,
    rules: tx.json(keptRules.parse({}) as never) as never,
    drive: tx.json(writeDrive(c.drive) as never) as never,
    begun_at: k.when,
    begun_by: k.by,
    closed_at: new Date(k.when.getTime() + 1_500_000),
    closed_by: k.by,
    record_id: k.recordId
  })}`;
  const found = half(c.aim + c.grows[0] + k.next() * (c.grows[1] - c.grows[0]));
  const adjusted = half(c.aim - c.shift + k.next() * 2 - 1);
  const tight = half(adjusted + c.shift + k.next() * 2 - 1);
  const mark = (times: number) => (c.marks ? c.marks.first + c.marks.each * times : null);
  const each = c.drive.adjuster.kind === 'eccentric carrier' ? null : mark(k.n + 1);
  const readings: [Stage, number, number | null, number | null, number | null][] = [
    [
      'found',
      found,
      half(found + 2 + k.next() * 5),
      mark(k.n),
      c.drive.adjuster.kind === 'eccentric carrier' ? null : mark(k.n)
    ],
    ['adjusted', adjusted, null, mark(k.n + 1), each],
    ['tight', tight, null, mark(k.n + 1), each]
  ];
  for (const [i, [stage, slack, slackest, left, right]] of readings.entries())
    await tx`insert into chain_reading ${tx({ team_id, id: uid(`${k.id}/${stage}`), check_id: k.id, stage, slack_mm: slack, slackest_mm: slackest, left_mark: left, right_mark: right, typed: String(slack), at: new Date(k.when.getTime() + i * 360_000), by: k.by })}`;
}

/** Writes at the record of the last check how soon its wear wants the chain again: that hangs on the hours of the whole season. */
export async function chainWantsAgain(tx: Db, team: Team, machineId: string): Promise<void> {
  const within = nextWithin(setWear(await chainSheet(tx, team, machineId)));
  await tx`
    update service_record set next_within = ${within} where team_id = ${team.id} and id = (
      select record_id from chain_check where team_id = ${team.id} and machine_id = ${machineId} order by begun_at desc limit 1)`;
}
