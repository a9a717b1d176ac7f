import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { loadDemo } from '../demo/loader';
import { migrate } from '../scripts/lib/migrate.mjs';
import { ensureDatabase } from '../scripts/lib/roles.mjs';
import { ownCluster } from '../scripts/lib/postgres.mjs';
import { connect, type Sql } from '../src/lib/server/base/db';
import { Server } from '../tests/e2e/server';

export type Body = Record<string, unknown>;
export interface Command {
  id: string;
  kind: string;
  at: string;
  body: Body;
}
/** What one sending came to: a status, or none where the line was lost. */
export interface Came {
  status: number | null;
  text: string;
  outcomes: { id: string; ok: boolean; errors?: Record<string, string>; more?: Body }[];
}

/** A ride as they are written here, in hundredths of an hour. */
const RIDDEN = 1;
/** What is in the book: rows, and the hours of the machine that is written at, in hundredths. */
interface Book {
  findings: number;
  entries: number;
  rides: number;
  total: number;
}
/** @param ids only these rows; without them, all */
async function readBook(sql: Sql, machineId: string, ids: string[] | null = null): Promise<Book> {
  const [book] = await sql`
    select (select count(*) from finding where ${ids}::uuid[] is null or id = any(${ids}))::int as findings,
      (select count(*) from visit_entry where ${ids}::uuid[] is null or id = any(${ids}))::int as entries,
      (select count(*) from reading where machine_id = ${machineId} and (${ids}::uuid[] is null or id = any(${ids})))::int as rides,
      (select total from machine_standing where machine_id = ${machineId})::int as total`;
  return book as unknown as Book;
}
/** The id of what a command writes. */
const written = (c: Command): string => (c.body.id as string | undefined) ?? c.id;

/** A server on a PostgreSQL of its own with the demo in it, both of which may be killed. On loopback only. */
export class Place {
  private constructor(
    readonly folder: string,
    public cluster: Awaited<ReturnType<typeof ownCluster>>,
    readonly server: Server,
    public sql: Sql,
    readonly personId: string,
    readonly machineId: string,
    private readonly before: Book
  ) {}
  /** All that was ever sent, by the id of what it writes. */
  readonly #sent = new Set<string>();
  /** What is sent past this place is told to it. */
  sends(commands: readonly Command[]): void {
    for (const c of commands) this.#sent.add(written(c));
  }

  static async open(folder = mkdtempSync(join(tmpdir(), 'hour-trail-faults-'))): Promise<Place> {
    chmodSync(folder, 0o755);
    const cluster = await ownCluster({ folder, wanted: 0 });
    await ensureDatabase(cluster.adminUrl);
    await migrate(cluster.url);
    const sql = connect(cluster.url, 4);
    await loadDemo(sql, new Date());
    const [machine] = await sql`select id from machine where plate = '33'`;
    const [person] = await sql`select id from person where name = 'Maud Tarrick'`;
    const server = await Server.on(cluster.url);
    const id = machine!.id as string;
    return new Place(folder, cluster, server, sql, person!.id as string, id, await readBook(sql, id));
  }
  get url(): string {
    return this.server.url;
  }
  get cookie(): string {
    return `ht_demo=yes; ht_who=${this.personId}`;
  }

  /** Sends commands. Never throws: a lost line is an answer of its kind. */
  async send(commands: readonly Command[], sent = new Date().toISOString()): Promise<Came> {
    this.sends(commands);
    try {
      const response = await fetch(`${this.url}/api/commands`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', cookie: this.cookie },
        body: JSON.stringify({ device: 'faults', sent, commands }),
        signal: AbortSignal.timeout(30_000)
      });
      const text = await response.text();
      const answer = text.startsWith('{') ? (JSON.parse(text) as { outcomes?: Came['outcomes'] }) : {};
      return { status: response.status, text, outcomes: answer.outcomes ?? [] };
    } catch (e) {
      return { status: null, text: String(e), outcomes: [] };
    }
  }

  /**
   * What became of what was acknowledged: in the book, or lost. And what is there that nobody sent, or more hours than were ridden: it
   * was carried out twice.
   */
  async once(acknowledged: readonly Command[]): Promise<{ lost: number; doubled: number }> {
    const ids = acknowledged.map(written);
    const [kept] = await this.sql`
      select (select count(*) from command where id = any(${acknowledged.map((c) => c.id)}))::int as commands`;
    const there = await readBook(this.sql, this.machineId, ids);
    const ours = await readBook(this.sql, this.machineId, [...this.#sent]);
    const now = await readBook(this.sql, this.machineId);
    const more = (of: 'findings' | 'entries' | 'rides') => Math.abs(now[of] - this.before[of] - ours[of]);
    return {
      lost: ids.length - Math.min(kept!.commands as number, there.findings + there.entries + there.rides),
      doubled:
        more('findings') +
        more('entries') +
        more('rides') +
        Math.abs(now.total - this.before.total - ours.rides * RIDDEN)
    };
  }

  async killPostgres(): Promise<void> {
    await this.sql.end({ timeout: 0 });
    const pid = readFileSync(join(this.folder, 'cluster/postmaster.pid'), 'utf8').split('\n')[0];
    process.kill(Number(pid), 'SIGKILL');
  }
  /** Starts it again on its port. Its orphaned processes have to be gone before it can. */
  async startPostgres(): Promise<void> {
    for (let tries = 0; ; tries++)
      try {
        const cluster = await ownCluster({ folder: this.folder, wanted: this.cluster.port });
        if (cluster.port !== this.cluster.port) throw new Error('another port');
        this.cluster = cluster;
        this.sql = connect(cluster.url, 4);
        return;
      } catch (e) {
        if (tries > 200) throw e;
        await pause(100);
      }
  }
  async close(): Promise<void> {
    await this.server.stop();
    await this.sql.end({ timeout: 1 }).catch(() => {});
    await this.cluster.stop();
    rmSync(this.folder, { recursive: true, force: true });
  }
}
export const pause = (ms: number): Promise<void> => new Promise((go) => setTimeout(go, ms));

const DAY = () => new Date().toISOString().slice(0, 10);
/** A finding: a command that may be carried out any number of times, and must be once. */
export const finding = (machineId: string): Command => ({
  id: crypto.randomUUID(),
  kind: 'finding.add',
  at: new Date().toISOString(),
  body: { id: crypto.randomUUID(), machineId, what: 'Loose spoke', severity: 'watch' }
});
/** A ride of under a minute: its machine's standing is worked out anew. */
export const ride = (machineId: string): Command => ({
  id: crypto.randomUUID(),
  kind: 'reading.log',
  at: new Date().toISOString(),
  body: { id: crypto.randomUUID(), machineId, typed: '+0.01', day: DAY(), outing: 'ride' }
});

/** Clients that write until they are told to stop: each command is sent under its id until it is answered, as the outbox does. */
export function writers(place: Place, count: number, make: () => Command) {
  const acknowledged: Command[] = [];
  const odd: string[] = [];
  let on = true;
  let lost = 0;
  const client = async () => {
    while (on) {
      const command = make();
      for (;;) {
        const { status, text, outcomes } = await place.send([command]);
        const [o] = outcomes;
        if (o?.ok) {
          acknowledged.push(command);
          break;
        }
        // Away, and asked again; refused for what it says, or a fault, it is none of ours to hide.
        if (status !== null && status !== 503 && !o?.more?.retry) {
          odd.push(`${status} ${text.slice(0, 300)}`);
          break;
        }
        if (status === 500 || o?.more?.fault) odd.push(`${status} ${text.slice(0, 300)}`);
        lost += 1;
        if (!on) return;
        await pause(15);
      }
    }
  };
  const clients = Array.from({ length: count }, client);
  return {
    acknowledged,
    odd,
    lost: () => lost,
    stop: async () => {
      on = false;
      await Promise.all(clients);
    }
  };
}
