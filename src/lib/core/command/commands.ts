import type { z } from 'zod';
import { bodies as access } from '../access/form';
import { bodies as calendar } from '../calendar/form';
import { bodies as chain } from '../chain/form';
import { bodies as component } from '../component/form';
import { bodies as finding } from '../finding/form';
import { bodies as hours } from '../hours/form';
import { bodies as job } from '../job/form';
import { bodies as machine } from '../machine/form';
import { bodies as outing } from '../outing/form';
import { bodies as record } from '../record/form';
import { bodies as round } from '../round/form';
import { bodies as rules } from '../rules/form';
import { bodies as schedule } from '../schedule/form';
import { bodies as specs } from '../specs/form';
import { bodies as stores } from '../stores/form';
import { bodies as team } from '../team/form';
import { bodies as token } from '../token/form';
import { bodies as valve } from '../valve/form';
import { bodies as visit } from '../visit/form';
import type { Answers as AccessAnswers } from '../access/commands';
import type { Answers as ChainAnswers } from '../chain/commands';
import type { Answers as HoursAnswers } from '../hours/commands';
import type { Answers as JobAnswers } from '../job/commands';
import type { Answers as RoundAnswers } from '../round/commands';
import type { Answers as ScheduleAnswers } from '../schedule/commands';
import type { Answers as SpecsAnswers } from '../specs/commands';
import type { Answers as TeamAnswers } from '../team/commands';
import type { Answers as ValveAnswers } from '../valve/commands';
import type { Answers as VisitAnswers } from '../visit/commands';

/**
 * Every write there is, by its kind, with the shape of its body. The forms and the server check the same schema; the
 * import, the outbox and the audit trail know no other way to write. Each noun says its own.
 */
export const COMMANDS = {
  ...access,
  ...calendar,
  ...chain,
  ...component,
  ...finding,
  ...hours,
  ...job,
  ...machine,
  ...outing,
  ...record,
  ...round,
  ...rules,
  ...schedule,
  ...specs,
  ...stores,
  ...team,
  ...token,
  ...valve,
  ...visit
} satisfies Record<string, z.ZodType>;

export type Kind = keyof typeof COMMANDS;
export const KINDS = Object.keys(COMMANDS) as [Kind, ...Kind[]];
/** Setting up a team is by itself: there is nobody yet to carry it out for. */
export type TeamKind = Exclude<Kind, 'team.found'>;
/** A body as a form sends it, and as it is once it has been checked. */
export type Body<K extends Kind> = z.input<(typeof COMMANDS)[K]>;
export type Input<K extends Kind> = z.output<(typeof COMMANDS)[K]>;

/** What the kinds that have something to say are answered with; the others are answered with nothing. */
type Answers = AccessAnswers &
  ChainAnswers &
  HoursAnswers &
  JobAnswers &
  RoundAnswers &
  ScheduleAnswers &
  SpecsAnswers &
  TeamAnswers &
  ValveAnswers &
  VisitAnswers;
export type Answer<K extends Kind> = K extends keyof Answers ? Answers[K] : null;
/** The same as its handler returns it. */
export type Result<K extends Kind> = K extends keyof Answers ? Answers[K] : void;
