import { byHouseRule, showSlack, wantedRange, type Wanted } from './slack-typed';
import { JUDGED_BY, lineOf } from '../judged/by';

/** Slack is read three times: as found, as adjusted, and with the axle tight, since tightening moves it (handbook, section 9). */
export const STAGES = ['found', 'adjusted', 'tight'] as const;
export type Stage = (typeof STAGES)[number];

/** Slack read once. Readings are only ever added: the latest of a stage counts. */
export interface Reading {
  id: string;
  stage: Stage;
  /** At the tightest place of the chain, in all, mm. */
  slack: number;
  /** At its slackest, the wheel turned; null: not read. */
  slackest: number | null;
  /** How far back the axle stands by the marks of each side; null: not read. */
  left: number | null;
  right: number | null;
  /** As it was typed. */
  typed: string;
  by: string;
}

/** What has to be seen to once the axle has moved. */
export const AFTERCARE = ['axle nut and lock-nuts tight', 'brake pedal right', 'wheel spins free'] as const;
export type Aftercare = (typeof AFTERCARE)[number];

export type SlackVerdict =
  'inside' | 'too tight' | 'too slack' | 'no figure' | 'not measured' | 'axle not tight';
export const VERDICT_WORDS: Readonly<Record<SlackVerdict, string>> = {
  inside: 'right',
  'too tight': 'too tight',
  'too slack': 'too slack',
  'no figure': 'what is wanted is not known',
  'not measured': 'not measured',
  'axle not tight': 'to be read with the axle tight'
};

export interface SlackStand {
  found: Reading | null;
  adjusted: Reading | null;
  /** Only where the axle was not moved again since. */
  tight: Reading | null;
  /** What it is now. */
  now: Reading | null;
  verdict: SlackVerdict;
  /** The axle was moved. */
  moved: boolean;
}

/** How slack stands to what is wanted. */
export function judgeSlack(
  slack: number,
  wanted: Wanted | null
): 'inside' | 'too tight' | 'too slack' | 'no figure' {
  if (!wanted) return 'no figure';
  // A rule reads half a millimetre.
  if (wanted.lo !== null && slack < wanted.lo - 0.25) return 'too tight';
  return wanted.hi !== null && slack > wanted.hi + 0.25 ? 'too slack' : 'inside';
}

/** How the chain stands in its check. One function for screen, bench and close. */
export function slackStand(readings: readonly Reading[], wanted: Wanted | null): SlackStand {
  const at = (stage: Stage) => readings.findLastIndex((r) => r.stage === stage);
  const of = (i: number) => readings[i] ?? null;
  const [found, adjusted, tight] = [at('found'), at('adjusted'), at('tight')];
  // Adjusted again, what was read with the axle tight is of before.
  const standing = tight > adjusted ? of(tight) : null;
  const now = standing ?? of(adjusted) ?? of(found);
  const moved = adjusted >= 0 || tight >= 0;
  return {
    found: of(found),
    adjusted: of(adjusted),
    tight: standing,
    now,
    moved,
    verdict: !now ? 'not measured' : moved && !standing ? 'axle not tight' : judgeSlack(now.slack, wanted)
  };
}

/** What tight against slack place says; null: nothing. */
export function unevenWords(r: Pick<Reading, 'slack' | 'slackest'> | null): string | null {
  if (!r || r.slackest === null) return null;
  const by = r.slackest - r.slack;
  if (by < 0) return 'The slackest place has less slack than the tightest: the two are the wrong way round.';
  return by > JUDGED_BY.chain.uneven.is
    ? `${showSlack(by)} between tight and slack place: the chain is worn unevenly, has stiff links, or a sprocket is not round. ${lineOf(JUDGED_BY.chain.uneven)}`
    : null;
}

/** What keeps a check from being closed; what may be left as it is with a reason becomes a finding. */
export interface SlackProblem {
  message: string;
  mayLeave: boolean;
}
export function slackProblems(s: SlackStand, wanted: Wanted | null): SlackProblem[] {
  if (!s.now) return [{ message: 'Nothing is measured yet.', mayLeave: false }];
  if (!s.found) return [{ message: 'It was not read as found.', mayLeave: false }];
  if (s.verdict === 'axle not tight')
    return [{ message: 'Read it once more with the axle tight: tightening moves it.', mayLeave: false }];
  if (s.verdict !== 'too tight' && s.verdict !== 'too slack') return [];
  const rule = byHouseRule(wanted!);
  return [
    {
      message: `${showSlack(s.now.slack)} is ${s.verdict}: ${wantedRange(wanted!)} is wanted${rule && ` (${rule})`}.`,
      mayLeave: true
    }
  ];
}

/** What was done, in a line for the record. */
export function remarkOf(s: SlackStand): string {
  const parts = [
    s.found && `found ${showSlack(s.found.slack)}`,
    s.adjusted && `adjusted to ${showSlack(s.adjusted.slack)}`,
    s.tight && `axle tight ${showSlack(s.tight.slack)}`
  ].filter(Boolean);
  return `Chain slack: ${parts.join(', ')}`;
}
