/** A reading as it is listed: what was written, by whom, and what became of it. */
export interface ReadingRow {
  id: string;
  at: Date;
  value: number | null;
  ridden: number | null;
  remark: string;
  by: string;
  /** That it was read off by itself; empty: it was typed. */
  instrument: string;
  settled: string | null;
  settledReason: string;
  struck: string | null;
  meter: number;
  counts: 'hours' | 'distance';
  /** What an unmetered one rests on. */
  estimatedFrom: string | null;
  beforeOuting: boolean;
  /** Running hours of the machine then; null where it counts a distance. */
  total: number | null;
}
