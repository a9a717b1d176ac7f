import { WebSocket } from 'ws';
import { keepServing } from '../scripts/lib/watch.mjs';
import { oddRequests } from '../tests/raw/odd';
import { speak, statusOf } from '../tests/raw/socket';
import { Place, pause } from './place';
import type { Result } from './run';

/** Odd request lines, raw over a socket, time and again; and sockets that any page of any site can ask for. */
export async function entrances(times: number): Promise<Result> {
  const place = await Place.open();
  try {
    const to = { host: '127.0.0.1', port: Number(new URL(place.url).port) };
    const odd: string[] = [];
    let asked = 0;
    for (let n = 0; n < times; n++) {
      const requests = oddRequests(`127.0.0.1:${to.port}`);
      for (let i = 0; i < requests.length; i += 24)
        await Promise.all(
          requests.slice(i, i + 24).map(async (request) => {
            asked += 1;
            const status = statusOf(await speak(to, request, 250));
            if (status !== null && status >= 500) odd.push(`${status} ${request.slice(0, 80)}`);
          })
        );
    }
    for (let i = 0; i < 25 * times; i++)
      await new Promise<void>((done) =>
        new WebSocket(`ws://127.0.0.1:${to.port}//`).on('error', () => {}).on('close', () => done())
      );
    const up = place.server.isUp && (await fetch(`${place.url}/health`)).status === 200;
    return {
      ok: up && odd.length === 0,
      figures: `${asked} odd requests over raw sockets and ${25 * times} sockets asked for “//”: ${odd.length} answered 5xx, the server ${up ? 'is the one that was started' : 'DIED'}`,
      odd
    };
  } finally {
    await place.close();
  }
}

/** The server is killed as soon as it serves, time and again: it is started again each time, later each time; PostgreSQL goes on. */
export async function deaths(times: number): Promise<Result> {
  const place = await Place.open();
  await place.server.stop();
  const pauses: number[] = [];
  let pid = 0;
  const kept = keepServing(
    {
      command: process.execPath,
      args: ['scripts/app.mjs'],
      cwd: process.cwd(),
      env: { ...process.env, ...place.server.env }
    },
    { started: (id: number) => (pid = id), waits: (ms: number) => pauses.push(ms) }
  );
  const serves = async () => {
    while (
      !(await fetch(`${place.url}/health`).then(
        (r) => r.status === 200,
        () => false
      ))
    )
      await pause(50);
  };
  try {
    for (let i = 0; i < times; i++) {
      await serves();
      process.kill(pid, 'SIGKILL');
      await pause(50);
    }
    await serves();
    const [row] = await place.sql`select pg_postmaster_start_time() < now() - interval '5 seconds' as same`;
    return {
      ok: pauses.length === times && row!.same === true,
      figures: `${times} deaths as soon as it served: started again each time, after ${pauses.map((p) => p / 1000).join(', ')} s; PostgreSQL ${row!.same ? 'never stopped' : 'STOPPED'}`,
      odd: []
    };
  } finally {
    await kept.stop();
    await place.close();
  }
}
