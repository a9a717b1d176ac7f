import { error } from '@sveltejs/kit';
import { EVERYTHING, type Told } from '../../core/live/told';
import { dayOf } from '../../core/time/day';
import type { Team } from '../../core/team/team';
import { db, type Sql } from '../base/db';
import { Hub } from './hub';
import { Lines, type Asker } from './lines';

const hub = new Hub(db);
/** So often a word goes out that means nothing, ms: proxies and phones take a silent line for a dead one. */
const BEAT = 20_000;
/** A line that was lost is opened again after so long, ms. */
const RETRY = 1000;
/** The lines of this process. */
export const lines = new Lines(db);
// While it is worked on, a listener of ours would keep Ctrl-C from ending it.
if (process.env.NODE_ENV === 'production') {
  process.on('SIGTERM', () => lines.end());
  process.on('SIGINT', () => lines.end());
}

/** @throws HttpError for whoever gets no line */
export const noLine = (): never =>
  error(
    503,
    'As many look on as this server can tell, or as many of yours. Close one, or try again in a while.'
  );

/** Which transactions a query sees now: the same again, and nothing was written in between. It holds for every process. */
export async function cursorOf(sql: Sql): Promise<string> {
  const [row] = await sql`select pg_current_snapshot()::text as cursor`;
  return row!.cursor as string;
}

/**
 * What is written in a team, as it is written, as server-sent events. Each has a cursor: who was away and comes back with theirs is told
 * at once where anything was written meanwhile.
 * @param since the last cursor that was heard; null: a page that has just been read
 * @returns null where there is no line for them: they have as many as one person may, there are as many as can be, or the server is
 *   about to end
 */
export function liveStream(
  team: Team,
  asker: Asker,
  since: string | null
): ReadableStream<Uint8Array> | null {
  const text = new TextEncoder();
  const day = () => dayOf(new Date(), team.timeZone);
  const ends: (() => void)[] = [];
  let over = false;
  const stop = () => {
    over = true;
    for (const end of ends.splice(0)) end();
  };
  const giveBack = lines.take(asker, stop);
  if (!giveBack) return null;
  ends.push(giveBack);
  return new ReadableStream<Uint8Array>({
    async start(controller) {
      let today = day();
      const say = (line: string) => {
        try {
          controller.enqueue(text.encode(line));
        } catch {
          stop();
        }
      };
      const tell = (told: Told) =>
        void cursorOf(db()).then(
          (cursor) => say(`id: ${cursor}\ndata: ${JSON.stringify(told)}\n\n`),
          // The database went just now: what was told is told, and the next line has a cursor again.
          () => say(`data: ${JSON.stringify(told)}\n\n`)
        );
      const beat = setInterval(() => {
        say(': \n\n');
        if (day() !== today) {
          today = day();
          tell(EVERYTHING);
        }
      }, BEAT);
      ends.push(() => {
        clearInterval(beat);
        try {
          controller.close();
        } catch {
          // Closed from the other end.
        }
      });
      try {
        ends.push(await hub.join(team.id, tell));
        const cursor = await cursorOf(db());
        // Closed while that was asked.
        if (over) return stop();
        say(`retry: ${RETRY}\n: open\n\n`);
        if (since !== null && since !== cursor) say(`id: ${cursor}\ndata: ${JSON.stringify(EVERYTHING)}\n\n`);
        else say(`id: ${cursor}\nevent: open\ndata: \n\n`);
      } catch (e) {
        stop();
        throw e;
      }
    },
    cancel: stop
  });
}

/**
 * A line that an instrument speaks on, as the relay asks for it: a first word that says whose it is, and then open for as long as they may.
 * @returns null as {@link liveStream}
 */
export function heldStream(team: Team, asker: Asker): ReadableStream<Uint8Array> | null {
  let close = () => {};
  const giveBack = lines.take(asker, () => close());
  if (!giveBack) return null;
  return new ReadableStream<Uint8Array>({
    start(controller) {
      close = () => {
        giveBack();
        controller.close();
      };
      controller.enqueue(new TextEncoder().encode(`${JSON.stringify({ team: team.id })}\n`));
    },
    cancel: giveBack
  });
}
