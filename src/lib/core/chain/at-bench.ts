import { judgeSlack, type Reading, type SlackVerdict, type Stage } from './check';
import { placeWords, type AdjusterKind, type Attitude } from './drive';
import { shiftOf, wantedNow, type ChainSheet } from './sheet';
import { setTo } from './shift';
import { byHouseRule, showSlack, wantedInWords, type How, type Wanted } from './slack-typed';

/** What of a chain the jobs at the bench want to know. */
export interface ChainForJobs {
  wanted: Wanted | null;
  /** Where along the run it is measured, 0 to 1, and how the machine stands. */
  at: number;
  attitude: Attitude;
  /** A finger, mm. */
  finger: number;
  /** By how much tightening moves it on this machine, mm; null: not known yet. */
  shift: number | null;
  dressing: 'lube' | 'wax' | 'dry';
  /** What moves the axle. */
  adjuster: AdjusterKind;
}

export const chainForJobs = (sheet: ChainSheet): ChainForJobs => ({
  wanted: wantedNow(sheet),
  at: sheet.drive.at,
  attitude: sheet.drive.attitude,
  finger: sheet.rules.finger,
  shift: shiftOf(sheet.past),
  dressing: sheet.rules.dressing,
  adjuster: sheet.drive.adjuster.kind
});

export const SLACK_UNKNOWN = 'How much is wanted is not on the sheet: the manual has it.';
/** How slack is read on this machine, for a step; how much is wanted stands there large, or that nobody knows. */
export function slackLines(c: ChainForJobs | null | undefined): string[] {
  if (!c) return [SLACK_UNKNOWN];
  const place = `${placeWords(c.at).replace(/^./, (x) => x.toUpperCase())}, ${c.attitude}.`;
  if (!c.wanted) return [SLACK_UNKNOWN, place];
  const rule = byHouseRule(c.wanted);
  return rule ? [place, `The manual gives one figure: ${rule}.`] : [place];
}

/** What a step of a visit says of the slack. */
export interface SlackSaid {
  /** In all, mm. */
  mm: number;
  slackest?: number | null;
  left?: number | null;
  right?: number | null;
  /** As it was written. */
  asWritten: string;
}
/** What a step about slack has to go by. */
export interface SlackInput {
  type: 'slack';
  stage: Stage;
  wanted: Wanted | null;
  how: How;
  at: number;
  finger: number;
  shift: number | null;
}
/** What is set to at a step, where tightening is known to move it; null: what is wanted itself. mm in all */
export const slackSet = ({ stage, wanted, shift }: SlackInput): number | null =>
  wanted && wanted.aim !== null && stage === 'adjusted' && shift ? setTo(wanted.aim, shift) : null;
/** The number of a step, for a line of the sheet. */
export function slackWanted(input: SlackInput): string {
  const set = slackSet(input);
  if (set !== null) return `set to ${showSlack(set)}`;
  return input.wanted ? wantedInWords(input.wanted) : 'slack unknown';
}
export function slackInputOf(stage: Stage, c: ChainForJobs | null | undefined): SlackInput {
  return {
    type: 'slack',
    stage,
    wanted: c?.wanted ?? null,
    how: c?.wanted?.how ?? 'in all',
    at: c?.at ?? 0.5,
    finger: c?.finger ?? 16,
    shift: c?.shift ?? null
  };
}

/** A step of a visit with what was written at it, as far as slack goes. */
interface SlackStep {
  step: { key: string; input: SlackInput | { type: string } };
  written: readonly { slack?: SlackSaid }[];
}
const isSlack = (input: SlackStep['step']['input']): input is SlackInput => input.type === 'slack';

/** How the slack that was last written at a step stands; null where nothing was, or it is no step about slack. */
export function slackAt(s: SlackStep): SlackVerdict | null {
  const { input } = s.step;
  const said = s.written.at(-1)?.slack;
  return isSlack(input) && said ? judgeSlack(said.mm, input.wanted) : null;
}

/** What was read in a visit, stage by stage, as far as it still stands. */
export function readingsOf(
  steps: readonly (SlackStep & { called: boolean; done: boolean })[]
): Omit<Reading, 'by'>[] {
  return steps.flatMap((s) => {
    const said = s.written.at(-1)?.slack;
    const { input } = s.step;
    if (!isSlack(input) || !s.called || !s.done || !said) return [];
    const { mm, slackest = null, left = null, right = null, asWritten } = said;
    return [{ id: s.step.key, stage: input.stage, slack: mm, slackest, left, right, typed: asWritten }];
  });
}
