import type { Input, Result, TeamKind } from '../../core/command/commands';
import { CREW } from '../../core/access/places';
import type { Role } from '../../core/team/team';
import type { Scope } from '../book/hold';
import type { Tx } from '../base/db';
import type { Refusal } from '../base/refusal';
import type { Write } from '../book/under-way';
import { answerVisit } from '../visit/answers';

/** A command as its handler has it. */
export interface Asked<K extends TeamKind> {
  w: Write;
  input: Input<K>;
}
/** What a command is answered with, asked for once the standings are worked out anew, in the same transaction. */
export type Said<K extends TeamKind> = () => Promise<Result<K>>;

interface Rules<K extends TeamKind> {
  /** Who may send it; enforced where commands are run. */
  role: readonly Role[];
  /** What of the book it touches, found out inside its transaction. Null: nothing of any machine's book. */
  scope: ((input: Input<K>, tx: Tx, teamId: string) => Scope | null | Promise<Scope>) | null;
}
/** How a kind of command is carried out: one at a time, or with those that come meanwhile for the same place. */
export type Handler<K extends TeamKind> = Rules<K> &
  (
    | {
        /** @returns what it is answered with; @throws Refusal, and nothing of it is kept */
        handle: (w: Write, input: Input<K>) => Promise<Result<K>>;
      }
    | {
        /** Commands of one place are carried out together. */
        at: (input: Input<K>) => string;
        /** Takes or refuses each by itself. */
        together: (list: readonly Asked<K>[]) => Promise<readonly (Said<K> | Refusal)[]>;
      }
  );

export const chief: readonly Role[] = ['chief mechanic'];
export const crew = CREW;
/** Riders: about machines that they ride; what a write touches says which. */
export const riders: readonly Role[] = [...CREW, 'rider'];

export const onMachine = (machineId: string): Scope => ({ machines: [machineId] });
/** The machine is held, so that two devices write its sheet one after the other; nothing counted changes. */
export const onSheet = (...machines: string[]): Scope => ({ machines, counts: false });

/** Writes on a machine's sheet, and answers with it what a visit at that machine asks for. */
export const answering =
  <I, R>(
    write: (w: Write, input: I) => Promise<R>,
    machineOf: (w: Write, input: I) => string | Promise<string>
  ) =>
  async (w: Write, input: I): Promise<R> => {
    const result = await write(w, input);
    await answerVisit(w, await machineOf(w, input));
    return result;
  };
