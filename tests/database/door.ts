import { expect } from 'vitest';
import type { Kind } from '../../src/lib/core/command/commands';
import type { Outcome } from '../../src/lib/core/command/envelope';
import type { Role } from '../../src/lib/core/team/team';
import { enterByPassphrase, setPassphrase, type In } from '../../src/lib/server/access/enter';
import { keyHash, newKey } from '../../src/lib/server/access/secrets';
import { runCommands } from '../../src/lib/server/commands/run';
import { openBook, uuid, type Book } from './book';

export const WORDS = 'moss kettle quiet ferry';
export const PIN = '4711';
export const MINUTE = 60_000;

/** A book with a chief mechanic, and whoever comes to its door. */
export class Door {
  readonly now = new Date();
  private constructor(readonly book: Book) {}
  static async open(): Promise<Door> {
    const book = await openBook();
    await book.sql`update person set role = 'chief mechanic' where id = ${book.personId}`;
    return new Door(book);
  }
  after = (ms: number): Date => new Date(this.now.getTime() + ms);
  get chief(): { id: string; role: Role } {
    return { id: this.book.personId, role: 'chief mechanic' };
  }

  /** Somebody of the team, with a passphrase where one is said. */
  async person(
    name: string,
    { role = 'mechanic', words }: { role?: Role; words?: string } = {}
  ): Promise<string> {
    const { sql, team } = this.book;
    const id = uuid();
    await sql`insert into person (team_id, id, name, role) values (${team.id}, ${id}, ${name}, ${role})`;
    if (words !== undefined) await sql.begin((tx) => setPassphrase(tx, team.id, id, words));
    return id;
  }
  byWords = (
    name: string,
    passphrase: string,
    more: { trust?: boolean; team?: string } = {},
    now = this.now
  ): Promise<In> =>
    enterByPassphrase(
      this.book.sql,
      { name, passphrase, team: '', trust: false, device: 'Tablet', ...more },
      undefined,
      now
    );

  async send(as: { id: string; role: Role }, kind: Kind, body: unknown): Promise<Outcome> {
    const [outcome] = await runCommands(
      this.book.sql,
      { team: this.book.team, person: as, device: 'a test' },
      [{ id: uuid(), kind, at: this.now.toISOString(), body, after: null }],
      () => new Date(),
      (e) => {
        throw e;
      }
    );
    return outcome!;
  }
  /** @param replaces false: another phone beside those they have */
  async invite(personId: string | null, replaces = true): Promise<{ code: string; id: string }> {
    const code = newKey();
    const id = uuid();
    const kept = await this.send(this.chief, 'invitation.keep', {
      id,
      personId,
      hash: keyHash(code),
      replaces
    });
    expect(kept).toMatchObject({ ok: true });
    return { code, id };
  }
}

/** What was refused, by field; null: nothing was. */
export const refusalOf = (p: Promise<unknown>): Promise<unknown> =>
  p.then(
    () => null,
    (e: { errors?: Record<string, string> }) => e.errors ?? e
  );
