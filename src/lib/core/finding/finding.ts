import type { Centihours } from '../hours/hours';
import type { Day } from '../time/day';
import type { Reminder } from './reminder';

/** How grave a finding is, the gravest first (handbook, section 10). While one that parks it is open, a machine is not ready. */
export const SEVERITIES = ['park the machine', 'fix now', 'tell the owner', 'watch'] as const;
export type Severity = (typeof SEVERITIES)[number];

/** What brought a finding into the book. `deferred`: work that was begun and could not be finished. */
export const CAUSES = ['seen', 'deferred', 'debris', 'fastener', 'measure', 'round'] as const;
export type Cause = (typeof CAUSES)[number];

/** How a finding ends: put right, its owner told, or left as it was for a reason. */
export const CLOSINGS = ['done', 'owner told', 'as it was'] as const;
export type Closing = (typeof CLOSINGS)[number];

/** Something that is wrong, or may become so, and that nobody has closed yet. */
export interface Finding {
  id: string;
  cause: Cause;
  /** In a line: “right fork seal weeps”. */
  what: string;
  note: string;
  /** The component it is on, and goes with; null: the machine itself. */
  part: { id: string; name: string } | null;
  fastenerId: string | null;
  /** Where on it, as a mechanic would say; empty where the line says it. */
  place: string;
  severity: Severity;
  /** When it was found, by whom, and at which hours of the machine it was then on; null where nobody knows. */
  day: Day;
  hours: Centihours | null;
  by: string;
  /** The visit it was found in. */
  visitId: string | null;
  /** What closing it waits for. */
  waits: Reminder | null;
}

export const parks = (f: Pick<Finding, 'severity'>): boolean => f.severity === 'park the machine';

/** What keeps a machine from being called ready: every open finding that parks it. Empty: it may be called ready. */
export function keepsOff<F extends Pick<Finding, 'severity'>>(findings: readonly F[]): F[] {
  return findings.filter(parks);
}

/** Findings in the order in which they weigh: the gravest first, and of two as grave the older. */
export function gravestFirst<F extends Pick<Finding, 'severity' | 'day' | 'what'>>(a: F, b: F): number {
  return (
    SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity) ||
    a.day.localeCompare(b.day) ||
    a.what.localeCompare(b.what)
  );
}
