import postgres from 'postgres';

export type Sql = postgres.Sql;
/** A connection or a transaction: what every query takes, so that several writes can be one. */
export type Db = postgres.Sql | postgres.TransactionSql;

let shared: Sql | null = null;

/** Opens a pool. Days stay calendar days (text), and JSON is parsed by the driver. */
export function connect(url: string, max = 10): Sql {
  return postgres(url, {
    max,
    onnotice: () => {},
    types: { date: { to: 1082, from: [1082], serialize: (x: string) => x, parse: (x: string) => x } }
  }) as Sql;
}

/** The process's own pool, to the database that DATABASE_URL names. */
export function db(): Sql {
  if (!shared) {
    const url = process.env.DATABASE_URL;
    if (!url) throw new Error('DATABASE_URL is not set. Start with npm start, which sets it.');
    shared = connect(url);
  }
  return shared;
}
