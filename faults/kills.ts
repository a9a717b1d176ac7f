import { finding, pause, Place, ride, writers } from './place';
import type { Result } from './run';

/** The server is killed in the middle of writing, time and again, and started anew. */
export async function kills(times: number): Promise<Result> {
  const place = await Place.open();
  try {
    const rides = writers(place, 2, () => ride(place.machineId));
    const findings = writers(place, 4, () => finding(place.machineId));
    const written = () => rides.acknowledged.length + findings.acknowledged.length;
    for (let i = 0; i < times; i++) {
      // In the middle of it: it has taken some, and is at the next.
      const before = written();
      while (written() < before + 3) await pause(2);
      await pause(Math.random() * 30);
      await place.server.stop();
      await place.server.start();
    }
    await Promise.all([rides.stop(), findings.stop()]);
    const { lost, doubled } = await place.once([...rides.acknowledged, ...findings.acknowledged]);
    const odd = [...rides.odd, ...findings.odd];
    return {
      ok: lost === 0 && doubled === 0 && odd.length === 0,
      figures: `${times} kills of the server under six writers: ${rides.acknowledged.length + findings.acknowledged.length} commands acknowledged, ${rides.lost() + findings.lost()} sendings without an answer, ${lost} lost, ${doubled} doubled`,
      odd
    };
  } finally {
    await place.close();
  }
}

/** Within so long of PostgreSQL taking connections again the server serves, without a restart, ms. */
const SERVES_WITHIN = 5000;
/** PostgreSQL is killed under writes; the server stays, and serves again by itself once it is back. */
export async function postgresKills(times: number): Promise<Result> {
  const place = await Place.open();
  try {
    const w = writers(place, 4, () => finding(place.machineId));
    let slowest = 0;
    for (let i = 0; i < times; i++) {
      await pause(50 + Math.random() * 200);
      await place.killPostgres();
      await place.startPostgres();
      const back = performance.now();
      while ((await fetch(`${place.url}/health`).then((r) => r.status)) !== 200) {
        if (performance.now() - back > 60_000) throw new Error('It does not serve again.');
        await pause(20);
      }
      slowest = Math.max(slowest, performance.now() - back);
    }
    await w.stop();
    const { lost, doubled } = await place.once(w.acknowledged);
    return {
      ok: lost === 0 && doubled === 0 && w.odd.length === 0 && slowest < SERVES_WITHIN,
      figures: `${times} kills of PostgreSQL: serving again ${(slowest / 1000).toFixed(2)} s after it, at the slowest, without a restart; ${w.acknowledged.length} commands acknowledged, ${lost} lost, ${doubled} doubled`,
      odd: w.odd
    };
  } finally {
    await place.close();
  }
}
