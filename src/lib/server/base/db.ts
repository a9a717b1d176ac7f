import postgres from 'postgres';

export type Sql = postgres.Sql;
export type Tx = postgres.TransactionSql;
/** A connection or a transaction: what every query takes, so that several writes can be one. */
export type Db = Sql | Tx;

/** Seconds. A database on this machine answers at once, or it is not there. */
const CONNECT_WITHIN = 4;
/** Seconds until a lost connection is tried again: soon enough to be back when the database is. */
const TRY_AGAIN_AFTER = 0.25;
/** Milliseconds. No page asks for anything that takes a tenth of this; what does has lost its way. */
const STATEMENT_WITHIN = 30_000;
/** Milliseconds of it spent waiting for somebody else's write: more, and it is better asked again. */
const LOCK_WITHIN = 12_000;

let shared: Sql | null = null;

/**
 * Opens a pool. Days stay calendar days (text), and JSON is parsed by the driver.
 * @param within milliseconds a statement may take; 0: as long as it likes
 */
export function connect(url: string, max = 10, within = 0): Sql {
  return postgres(url, {
    max,
    onnotice: () => {},
    connect_timeout: CONNECT_WITHIN,
    backoff: () => TRY_AGAIN_AFTER,
    ...(within > 0 && { connection: { statement_timeout: within, lock_timeout: LOCK_WITHIN } }),
    types: { date: { to: 1082, from: [1082], serialize: (x: string) => x, parse: (x: string) => x } }
  }) as Sql;
}

/** The process's own pool, to the database that DATABASE_URL names. */
export function db(): Sql {
  if (!shared) {
    const url = process.env.DATABASE_URL;
    if (!url) throw new Error('DATABASE_URL is not set. Start with npm start, which sets it.');
    shared = connect(url, 10, STATEMENT_WITHIN);
  }
  return shared;
}

/**
 * Waits for all of them, as Promise.all does; but where one fails, the others are over before it is told. What goes on asking on
 * a transaction after that was taken back would be asked on whatever its connection does next, and be kept.
 */
export async function allOver<const T extends readonly unknown[]>(
  all: T
): Promise<{ -readonly [I in keyof T]: Awaited<T[I]> }> {
  await Promise.allSettled(all);
  return Promise.all(all);
}
