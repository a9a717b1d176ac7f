import { Agent, get } from 'node:http';
import { finding, pause, Place, writers } from './place';
import type { Result } from './run';

/** What a reader on a connection it keeps came to: an answer, nobody there, or cut off in the middle. */
type Came = 'answered' | 'nobody there' | 'cut off' | 'away';

/** The server is told to end, time and again, under readers and writers: what was begun is answered, who comes new is refused. */
export async function stops(times: number): Promise<Result> {
  const place = await Place.open();
  try {
    const came: Record<Came, number> = { answered: 0, 'nobody there': 0, 'cut off': 0, away: 0 };
    const codes: string[] = [];
    const { hostname, port } = new URL(place.url);
    let on = true;
    const reader = async () => {
      const agent = new Agent({ keepAlive: true, maxSockets: 1 });
      while (on) {
        const what = await new Promise<Came>((done) =>
          get({ hostname, port, path: '/board', agent, headers: { cookie: place.cookie } }, (r) => {
            r.on('error', () => done('cut off')).on('end', () =>
              done(r.statusCode === 503 ? 'away' : 'answered')
            );
            r.resume();
          }).on('error', (e: NodeJS.ErrnoException) => {
            if (e.code !== 'ECONNREFUSED') codes.push(e.code ?? e.message);
            done(e.code === 'ECONNREFUSED' ? 'nobody there' : 'cut off');
          })
        );
        came[what] += 1;
        if (what !== 'answered') await pause(20);
      }
    };
    const readers = Array.from({ length: 8 }, reader);
    const w = writers(place, 4, () => finding(place.machineId));
    let slowest = 0;
    for (let i = 0; i < times; i++) {
      await pause(300 + Math.random() * 400);
      const began = performance.now();
      const code = await place.server.end();
      slowest = Math.max(slowest, performance.now() - began);
      if (code !== 0) codes.push(`ended with ${code}`);
      await place.server.start();
    }
    on = false;
    await Promise.all([...readers, w.stop()]);
    const { lost, doubled } = await place.once(w.acknowledged);
    return {
      ok: codes.length === 0 && came.away === 0 && lost === 0 && doubled === 0 && w.odd.length === 0,
      figures: `told to end ${times} times under eight readers and four writers: ${came.answered} answered, ${came['cut off']} cut off, ${came.away} told that the database is away; ${lost} lost, ${doubled} doubled; ended within ${(slowest / 1000).toFixed(1)} s`,
      odd: [...w.odd, ...codes]
    };
  } finally {
    await place.close();
  }
}
