import type { Db } from './db';

/** The id that a visit has in the book, in a query: one that was begun apart went into the one that stood. */
export const idInBook = (sql: Db, teamId: string, id: string) => sql`visit_in_book(${teamId}, ${id})`;
