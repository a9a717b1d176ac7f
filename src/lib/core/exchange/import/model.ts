import type { Kind } from '../../command/commands';
import type { Day } from '../../time/day';
import type { Field } from './field';
import type { What } from './what';

/** A row of a list: by the key of each field what it says, in one spelling; empty where it says nothing. */
export type Row = Readonly<Record<string, string>>;

/** A command as it would be sent. */
export interface Draft {
  id: string;
  kind: Kind;
  body: Record<string, unknown>;
  /** When it was done, where that is not now. */
  at?: string;
  /** The one it rests on. */
  after?: string;
}
/** What becomes of rows that belong together: mostly one. */
export interface Verdict {
  /** Lines of the file, from 1. */
  lines: readonly number[];
  what: What;
  /** What would change, what is doubted, or why not; empty where there is nothing to say. */
  why: string;
  drafts: readonly Draft[];
  /** It waits to be told whether its hours are what a meter shows. */
  asks?: true;
}

/** What of the book the rows are held against. */
export interface Refs {
  today: Day;
  /** For outings that say none. */
  usual: { day: Day; kind: string };
  machines: readonly { id: string; plate: string; name: string; kind: string }[];
  people: readonly { id: string; name: string }[];
  /** Those still watched. */
  tasks: readonly { id: string; name: string; machineId: string | null; componentId: string | null }[];
  components: readonly { id: string; kind: string; name: string; machineId: string | null }[];
  fasteners: readonly { id: string; machineId: string; name: string; circuit: string | null }[];
  /** An id by what it is for: the same again for the same. `once`: for this file only, so that it can be done again another day. */
  idOf: (once: boolean, ...parts: readonly string[]) => string;
  /** The moment on a day at which what was done on it is written down. */
  momentOf: (day: Day) => string;
}
/** Rows of the book of one list that belong together, as they leave it, with what else is known of them. */
export interface There {
  rows: readonly Row[];
  raw: Readonly<Record<string, unknown>>;
}

/** What a list's rows come to: commands, with a word to them or a doubt; or why nothing. */
export type Made =
  | { ok: true; drafts: readonly Omit<Draft, 'id'>[]; doubt?: string; word?: string }
  | { ok: false; problem: string };

export interface ImportList {
  fields: readonly Field[];
  /** Fields of the first row of those that belong together. Throws {@link Unknown}. */
  keyOf: (row: Row, refs: Refs) => string;
  /** Rows with the same key are one thing, such as the triggers of a task, told apart by this field; without it each is by itself. */
  together?: string;
  /** Two of the same may be two. Whether that is so where both rows are alike to a letter: two rides of half an hour that no meter counted. */
  many?: (row: Row) => boolean;
  /** What is taken stays in the book for good, if only struck out: the same again is known by its content. */
  lasting?: true;
  /** What a row says in another way than its own fields, made into them. Throws {@link Unknown}. */
  refine?: (row: Row) => Row;
  make: (rows: readonly Row[], refs: Refs, nth: number) => Made;
  /** The same row as the book may have taken it, where it is not there as it stands. */
  otherwise?: (row: Row) => Row | null;
  /** What is to be done where the file says otherwise than the book; `differs`: the fields. */
  change: (rows: readonly Row[], there: There, differs: readonly string[], refs: Refs) => Made;
}
