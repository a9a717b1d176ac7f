import type { Input, Kind } from '../../src/lib/core/command/commands';
import type { TypedAnswer } from '../../src/lib/core/round/answer';
import type { List } from '../../src/lib/core/round/check';
import { roundAnswerSchema } from '../../src/lib/core/round/form';
import { checksOf } from '../../src/lib/core/round/lists';
import { roundStand } from '../../src/lib/core/round/stand';
import { fastenerSchema, figureSchema } from '../../src/lib/core/specs/form';
import { boardPage } from '../../src/lib/server/readiness/board';
import { roundSheet } from '../../src/lib/server/round/sheet';
import { at, openBook, uuid, type Book } from './book';
import { command } from './hands';

const KIND = 'four-stroke enduro';
export type Said = Partial<TypedAnswer> & { check: string };
/** Every check of a ready round as it should be. */
export const WHOLE: readonly Said[] = checksOf(KIND, 'ready').map((c) => ({
  check: c.key,
  found: c.how === 'measure' ? (c.key.endsWith('tyre') ? '90 kPa' : '4 mm') : '',
  choice: c.how === 'choose' ? c.choices[0]!.word : '',
  count: c.how === 'count' ? '4' : ''
}));
interface How {
  roundId?: string;
  now?: Date;
  /** When it was pressed, where it waited on a device. */
  pressed?: Date;
  who?: string;
  list?: List;
}

/** A book of a machine whose sheet wants 80 to 100 kPa in the front tyre. It is walked a day after it was opened. */
export class RoundBook {
  private constructor(readonly book: Book) {}

  static async open(): Promise<RoundBook> {
    const opened = new RoundBook(await openBook());
    await opened.figure('front tyre pressure', '80–100 kPa');
    return opened;
  }

  send<K extends Exclude<Kind, 'team.found'>>(
    kind: K,
    input: Input<K>,
    now: Date,
    who = this.book.personId,
    pressed = now
  ): Promise<unknown> {
    return command(this.book.sql, this.book.team, who, kind, input, now, uuid(), pressed);
  }
  figure(key: string, typed: string, fastenerId: string | null = null): Promise<unknown> {
    const { machineId } = this.book;
    const said = { id: uuid(), machineId, key, fastenerId, typed, source: 'Manual', confidence: 'printed' };
    return this.send('figure.add', figureSchema.parse(said), at(1));
  }
  /** A fastener on its sheet. @returns its id */
  async fastener(role: string, name: string): Promise<string> {
    const id = uuid();
    const { machineId } = this.book;
    const said = { id, machineId, circuit: null, role, name, quantity: 1, magnet: false, seal: 'none' };
    await this.send('fastener.add', fastenerSchema.parse(said), at(1));
    return id;
  }
  /** What a device sends. */
  input(answers: readonly Said[], roundId: string = uuid(), list: List = 'ready') {
    return roundAnswerSchema.parse({
      roundId,
      machineId: this.book.machineId,
      list,
      answers: answers.map((a) => ({ id: uuid(), said: 'well', ...a }))
    });
  }
  /** Checks answered in one go. @returns the round they went into */
  answer(answers: readonly Said[], { roundId, now = at(24), pressed, who, list }: How = {}): Promise<string> {
    return this.send(
      'round.answer',
      this.input(answers, roundId, list),
      now,
      who,
      pressed
    ) as Promise<string>;
  }
  sheet(list: List = 'ready') {
    return roundSheet(this.book.sql, this.book.team.id, { id: this.book.machineId, kind: KIND }, list);
  }
  async stand() {
    const s = await this.sheet();
    return roundStand(s.checks, s.answers, s.bands);
  }
  findings() {
    const { sql, team } = this.book;
    return sql`
      select what, severity, cause, check_key, closed_word, closed_how, closed_at is not null as closed from finding
      where team_id = ${team.id} order by found_at, what`;
  }
  /** What is to be looked at again after an outing. */
  reminders() {
    return this.book.sql`
      select words, come_at is not null as come, done_at is not null as done, done_word from reminder order by created_at`;
  }
  async board(now: Date, eventId: string | null = null) {
    return (await boardPage(this.book.sql, this.book.team, eventId, now)).rows[0]!;
  }
  async reasons(now: Date): Promise<string[]> {
    return (await this.board(now)).readiness.reasons.map((r) => r.words);
  }
}
