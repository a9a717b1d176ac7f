import type { CommandRule } from '../command-rule';
import type { Kind } from './commands';
import { rules as access } from '../access/commands';
import { rules as calendar } from '../calendar/commands';
import { rules as chain } from '../chain/commands';
import { rules as component } from '../component/commands';
import { rules as finding } from '../finding/commands';
import { rules as hours } from '../hours/commands';
import { rules as job } from '../job/commands';
import { rules as machine } from '../machine/commands';
import { rules as outing } from '../outing/commands';
import { rules as record } from '../record/commands';
import { rules as round } from '../round/commands';
import { rules } from '../rules/commands';
import { rules as schedule } from '../schedule/commands';
import { rules as specs } from '../specs/commands';
import { rules as stores } from '../stores/commands';
import { rules as team } from '../team/commands';
import { rules as token } from '../token/commands';
import { rules as valve } from '../valve/commands';
import { rules as visit } from '../visit/commands';

/** What is known of every kind of command beside the shape of its body, which is loaded apart: to keep what waits, no schema is needed. */
export const RULES: Record<Kind, CommandRule> = {
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
};

/** A kind of command as one reads it in the audit: its noun, and what became of it. */
export const kindWords = (kind: string): string =>
  (RULES as Readonly<Record<string, CommandRule>>)[kind]?.words ?? kind;
