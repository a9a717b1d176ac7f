import { isNothing, type PastCheck, type ShimAt, type Stage } from './check';
import type { Measured } from './clearance';
import type { Shim } from './shim';

/** A check that is over, as its row has it. */
export interface CheckRow {
  id: string;
  day: string;
  hours: number | null;
  /** When it was closed, ms since 1970. */
  at: number;
}
export interface ReadingRow {
  checkId: string;
  valve: string;
  stage: Stage;
  measured: Measured;
}
/** A shim with its moment, ms since 1970. */
export type ShimRow = ShimAt & { at: number };

/**
 * Checks with what was measured in them and which shims sat there.
 * @param readings the earliest first
 * @param shims of the head, the earliest first
 */
export function pastChecks(
  checks: readonly CheckRow[],
  readings: readonly ReadingRow[],
  shims: readonly ShimRow[]
): PastCheck[] {
  const valves = [...new Set(shims.map((s) => s.valve))];
  return checks.map(({ id, day, hours, at }) => {
    const past = { id, day, hours, found: {}, left: {}, shims: {}, fitted: {} } as {
      id: string;
      day: string;
      hours: number | null;
    } & Record<'found' | 'left', Record<string, Measured>> &
      Record<'shims' | 'fitted', Record<string, Shim>>;
    for (const r of readings) {
      if (r.checkId !== id) continue;
      if (isNothing(r.measured)) delete past[r.stage][r.valve];
      else past[r.stage][r.valve] = r.measured;
    }
    for (const valve of valves) {
      const rows = shims.filter((s) => s.valve === valve);
      const { before, fitted } = satIn(rows, id, at);
      if (before) past.shims[valve] = before;
      if (fitted) past.fitted[valve] = fitted;
    }
    return past;
  });
}

/** What sat in a valve when a check found it, and what was fitted in it. */
function satIn(
  rows: readonly ShimRow[],
  checkId: string,
  at: number
): { before: Shim | null; fitted: Shim | null } {
  const bare = (s: ShimRow | undefined): Shim | null => (s ? { stamp: s.stamp, measured: s.measured } : null);
  const mine = (s: ShimRow) => s.why === 'fitted' && s.checkId === checkId;
  const first = rows.findIndex(mine);
  if (first >= 0) return { before: bare(rows[first - 1]), fitted: bare(rows.findLast(mine)) };
  const then = rows.findLastIndex((s) => s.at <= at);
  // Read only later, and nothing fitted in between: it sat there already.
  const later = rows[then + 1];
  if (later?.why === 'read') return { before: bare(later), fitted: null };
  return { before: bare(rows[then]), fitted: null };
}

/** One valve as a record shows it. */
export interface RecordedValve {
  name: string;
  found: Measured | null;
  left: Measured | null;
  shim: Shim | null;
  fitted: Shim | null;
}
