import { badLink } from './link';
import { clocks } from './clocks';
import { crowd } from './crowd';
import { diskFull } from './disk';
import { deaths, entrances } from './entrances';
import { files, heavy } from './heavy';
import { kills, postgresKills } from './kills';
import { malformed } from './malformed';
import { stops } from './stops';

export interface Result {
  ok: boolean;
  /** What was done, and what came of it, in figures. */
  figures: string;
  /** What should not have been said, in full. */
  odd: string[];
}

/** Each fault, with how much of it there is: in full, and in short. */
const FAULTS: Record<string, { run: (size: number) => Promise<Result>; full: number; short: number }> = {
  entrances: { run: entrances, full: 10, short: 1 },
  deaths: { run: deaths, full: 8, short: 3 },
  files: { run: files, full: 3, short: 1 },
  heavy: { run: heavy, full: 60, short: 6 },
  stops: { run: stops, full: 40, short: 4 },
  clocks: { run: clocks, full: 1, short: 1 },
  link: { run: badLink, full: 200, short: 40 },
  malformed: { run: malformed, full: 10_000, short: 500 },
  crowd: { run: crowd, full: 60, short: 5 },
  disk: { run: diskFull, full: 1, short: 1 },
  postgres: { run: postgresKills, full: 50, short: 3 },
  kills: { run: kills, full: 1000, short: 10 }
};

const asked = process.argv.slice(2);
const short = asked.includes('--short');
const names = asked.filter((a) => a in FAULTS);
let failed = 0;
for (const name of names.length > 0 ? names : Object.keys(FAULTS)) {
  const { run, full, short: little } = FAULTS[name]!;
  const began = Date.now();
  const { ok, figures, odd } = await run(short ? little : full);
  console.log(`${ok ? 'holds' : 'FAILS'}  ${figures} (${Math.round((Date.now() - began) / 1000)} s)`);
  for (const o of odd.slice(0, 20)) console.log(`       ${o}`);
  if (!ok) failed += 1;
}
process.exit(failed === 0 ? 0 : 1);
