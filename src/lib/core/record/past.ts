import type { FoundBefore } from '../fasteners/found';
import type { Earlier } from '../debris/trend';
import { showDay, type Day } from '../time/day';
import type { JobRecord } from './record';

/** A record of work as far as what is behind a machine's fasteners and drains goes. */
export interface PastRecord {
  id: string;
  /** The visit it came from: several jobs of one visit leave a record each, with the same fasteners in all of them. */
  visitId: string | null;
  day: Day;
  record: Pick<JobRecord, 'fasteners' | 'found'>;
}

/**
 * How often the seal in each fastener has been used, and what was found at each, from the machine's records.
 *
 * A seal put in new is in its first use. Used again where nobody knows how often before, this is at least the second. What
 * was opened once in a visit counts once, however many jobs it was opened for (handbook, section 3: "this washer: use 2 of 3").
 *
 * @param records the oldest first
 * @param today for how days are written
 */
export function fastenerPast(
  records: readonly PastRecord[],
  today: Day
): { sealUses: Record<string, number>; found: Record<string, FoundBefore[]> } {
  const sealUses: Record<string, number> = {};
  const found: Record<string, FoundBefore[]> = {};
  const counted = new Set<string>();
  const once = (key: string) => !counted.has(key) && counted.add(key);
  for (const { id, visitId, day, record } of records) {
    const visit = visitId ?? id;
    for (const f of record.fasteners) {
      if (!f.fastenerId || !f.seal || !once(`${visit} seal ${f.fastenerId}`)) continue;
      sealUses[f.fastenerId] = f.seal === 'new' ? 1 : (sealUses[f.fastenerId] ?? 1) + 1;
    }
    for (const f of record.found) {
      if (!f.fastenerId || !once(`${visit} found ${f.fastenerId} ${f.how} ${f.note}`)) continue;
      (found[f.fastenerId] ??= []).push({
        how: f.how,
        words: `Found ${f.how}, ${showDay(day, today)}${f.note ? `: ${f.note}` : ''}`
      });
    }
  }
  return { sealUses, found };
}

/** A change of oil before this one, as far as reading its drain goes. */
export interface PastChange {
  day: Day;
  /** Hours of the task's own machine or engine then; null where nobody knows. */
  hours: number | null;
  debris: JobRecord['debris'];
  /** First photo at each step of that visit. */
  photos: Record<string, string>;
}

/**
 * What came out at each place at the changes before this one, with the hours that oil had run: as written down, or else from
 * one change to the next.
 * @param changes the latest first
 */
export function debrisBefore(changes: readonly PastChange[]): Record<string, Earlier[]> {
  const debris: Record<string, Earlier[]> = {};
  for (const [i, c] of changes.entries()) {
    const before = changes[i + 1];
    const ran = c.hours !== null && before?.hours != null ? c.hours - before.hours : null;
    for (const d of c.debris)
      (debris[d.place] ??= []).push({
        grade: d.grade,
        materials: d.materials,
        oilHours: d.oilHours ?? ran,
        day: c.day,
        photoId: (d.stepKey && c.photos[d.stepKey]) || null
      });
  }
  return debris;
}
