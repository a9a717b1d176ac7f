import { EVERYTHING, type Told } from '../../core/live/told';
import { dayOf } from '../../core/time/day';
import type { Team } from '../../core/team/team';
import { db, type Sql } from '../db';
import { Hub } from './hub';

const hub = new Hub(db);
/** So often a word goes out that means nothing, ms: proxies and phones take a silent line for a dead one. */
const BEAT = 20_000;
/** A line that was lost is opened again after so long, ms. */
const RETRY = 1000;
/** Of this process. */
const MOST = 2000;

/** How many look on at this process. */
export const onLine = (): number => hub.size;

const open = new Set<() => void>();
let ending = false;
function endAll(): void {
  ending = true;
  for (const end of open) end();
}
// While it is worked on, a listener of ours would keep Ctrl-C from ending it.
if (process.env.NODE_ENV === 'production') {
  process.on('SIGTERM', endAll);
  process.on('SIGINT', endAll);
}

/** Which transactions a query sees now: the same again, and nothing was written in between. It holds for every process. */
export async function cursorOf(sql: Sql): Promise<string> {
  const [row] = await sql`select pg_current_snapshot()::text as cursor`;
  return row!.cursor as string;
}

/**
 * What is written in a team, as it is written, as server-sent events. Each has a cursor: who was away and comes back with theirs is told
 * at once where anything was written meanwhile.
 * @param since the last cursor that was heard; null: a page that has just been read
 * @param stillIn whether whoever listens may go on doing so
 * @returns null where as many look on as can, or the server is about to end
 */
export function liveStream(
  team: Team,
  since: string | null,
  stillIn: () => Promise<boolean>
): ReadableStream<Uint8Array> | null {
  if (ending || hub.size >= MOST) return null;
  const text = new TextEncoder();
  const day = () => dayOf(new Date(), team.timeZone);
  let stop = () => {};
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
      const leave = await hub.join(team.id, tell);
      const beat = setInterval(() => {
        say(': \n\n');
        if (day() !== today) {
          today = day();
          tell(EVERYTHING);
        }
        void stillIn().then(
          (is) => is || stop(),
          () => {}
        );
      }, BEAT);
      stop = () => {
        clearInterval(beat);
        leave();
        open.delete(stop);
        try {
          controller.close();
        } catch {
          // Closed from the other end.
        }
      };
      open.add(stop);
      const cursor = await cursorOf(db());
      say(`retry: ${RETRY}\n: open\n\n`);
      if (since !== null && since !== cursor) say(`id: ${cursor}\ndata: ${JSON.stringify(EVERYTHING)}\n\n`);
      else say(`id: ${cursor}\nevent: open\ndata: \n\n`);
    },
    cancel: () => stop()
  });
}
