import type { Input, Kind, Result, TeamKind } from '../../core/command/commands';
import type { Tx } from '../base/db';
import type { Refusal } from '../base/refusal';
import type { Scope } from './hold';
import type { Write } from './under-way';

/** A command as its handler has it. */
export interface Asked<K extends TeamKind> {
  w: Write;
  input: Input<K>;
}
/** What a command is answered with, asked for once the standings are worked out anew, in the same transaction. */
export type Said<K extends TeamKind> = () => Promise<Result<K>>;

interface Alone<K extends TeamKind> {
  /** @returns what it is answered with; @throws Refusal, and nothing of it is kept */
  handle: (w: Write, input: Input<K>) => Promise<Result<K>>;
  /** The machine whose sheet it writes on: a visit that stands open there is told what has come onto it. */
  sheetOf?: (input: Input<K>, w: Write) => string | Promise<string>;
}
interface Together<K extends TeamKind> {
  /** Commands of one place are carried out together. */
  at: (input: Input<K>) => string;
  /** Takes or refuses each by itself. */
  together: (list: readonly Asked<K>[]) => Promise<readonly (Said<K> | Refusal)[]>;
}
/** How a kind of command is carried out: one at a time, or with those that come meanwhile for the same place. */
export type Handler<K extends TeamKind> = (Alone<K> | Together<K>) & {
  /** What of the book it touches, found out inside its transaction. Null: nothing of any machine's book. */
  scope: ((input: Input<K>, tx: Tx, teamId: string) => Scope | null | Promise<Scope>) | null;
};
/** One for each body; setting up a team is by itself. */
export type Handlers<B> = { [K in keyof B & Kind & TeamKind]: Handler<K> };

export const onMachine = (machineId: string): Scope => ({ machines: [machineId] });
/** The machine is held, so that two devices write its sheet one after the other; nothing counted changes. */
export const onSheet = (...machines: string[]): Scope => ({ machines, counts: false });
