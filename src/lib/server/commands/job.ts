import type { Input, TeamKind } from '../../core/command/commands';
import type { Envelope } from '../../core/command/envelope';
import type { Sender } from './sender';

/** A command whose body has been checked. */
export interface Job<K extends TeamKind = TeamKind> {
  from: Sender;
  command: Pick<Envelope, 'id' | 'at' | 'body'> & { kind: K };
  input: Input<K>;
  /** What is kept of its body: what a second sending is held against. */
  body: unknown;
  now: Date;
}
/** What became of one. */
export type Done = { ok: true; answer: unknown } | { ok: false; error: unknown };

/** The same command stands in the same batch: once that one is carried out, this has its answer. */
export class Twice extends Error {}
