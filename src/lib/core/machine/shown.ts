import type { CallName } from '../outing/outing';
import { has, type Part } from './has';
import type { Kind } from './machine';

/** What only machines that have something can show. */
const OF: Readonly<Partial<Record<CallName, Part>>> = {
  'hard to start': 'combustion engine',
  backfires: 'combustion engine',
  smokes: 'combustion engine',
  'ran low on oil': 'combustion engine',
  'clutch slips': 'clutch',
  'clutch drags': 'clutch',
  'gears jump out': 'gears',
  'chain noise': 'chain'
};
/** Of symptoms or incidents, those that machines of a kind can show; null: of which kind is not known, and all are there. */
export const shownBy = <T extends CallName>(list: readonly T[], kind: Kind | null): T[] =>
  list.filter((c) => kind === null || OF[c] === undefined || has(kind, OF[c]));
