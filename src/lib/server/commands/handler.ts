import type { Answer, Input, Kind } from '../../core/command/commands';
import { CREW } from '../../core/access/places';
import type { Role } from '../../core/team/team';
import type { Scope } from '../book/hold';
import type { Tx } from '../base/db';
import type { Refusal } from '../base/refusal';
import { answerVisit } from '../visit/answers';
import type { Write } from '../book/under-way';

/** How a kind of command is carried out. */
export interface Handler<K extends Kind, R = unknown> {
  /** Who may send it; enforced where commands are run. */
  role: readonly Role[];
  /** What of the book it touches, found out inside its transaction. Null: nothing of any machine's book. */
  scope: ((input: Input<K>, tx: Tx, teamId: string) => Scope | null | Promise<Scope>) | null;
  /** Missing where it is always carried out together. */
  handle?: (w: Write, input: Input<K>) => Promise<R>;
  /** Where so much is written that what comes meanwhile is carried out together: at which place, and how. */
  together?: {
    at: (input: Input<K>) => string;
    /** Takes or refuses each by itself. */
    handle: (list: readonly { w: Write; input: Input<K> }[]) => Promise<(R | Refusal)[]>;
    answer?: (list: readonly { w: Write; input: Input<K>; result: R }[]) => Promise<Answer<K>[]>;
  };
  /** What it is answered, once the standings are made anew; without it, what `handle` returned. */
  answer?: (w: Write, input: Input<K>, result: R) => Promise<Answer<K>>;
}

/** A handler whose own result is the answer, or that is answered with nothing. */
export type Entry<K extends Kind> = Handler<K, Answer<K>> | Handler<K, void>;
export const chief: readonly Role[] = ['chief mechanic'];
export const crew = CREW;
/** Riders: about machines that they ride; what a write touches says which. */
export const riders: readonly Role[] = [...CREW, 'rider'];
/** Keeps the type between `handle` and `answer`. */
export const entry = <K extends Kind, R>(h: Handler<K, R>): Entry<K> => h as unknown as Entry<K>;

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
