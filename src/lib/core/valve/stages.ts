import type { Chance } from './chance';

/** What of the valves a step of a job is about: measured as found, shims fitted, measured as left. */
export const VALVE_STAGES = ['found', 'fitted', 'left'] as const;
export type ValveStage = (typeof VALVE_STAGES)[number];

/** What of a head the jobs want to know. */
export interface HeadForJobs {
  /** `bucket`: its shim sits under a bucket; else under a rocker, or it has none. */
  valves: readonly { name: string; shimmed: boolean; bucket: boolean }[];
  /** How top dead centre is found, a line each. */
  guide: readonly string[];
  limits: readonly string[];
  /** How likely a valve is out, by their wear; null: nobody knows. */
  out: Chance | null;
}
