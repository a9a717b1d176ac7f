import { readFileSync } from 'node:fs';
import { Worker } from 'node:worker_threads';
import type { Place } from './place';

/** In a thread of its own: what the one that does the harm waits for itself is not the server’s. */
const LOOK = `
const { parentPort, workerData } = require('node:worker_threads');
const took = [];
let on = true;
parentPort.once('message', () => (on = false));
(async () => {
  while (on) {
    const began = performance.now();
    const ok = await fetch(workerData).then((r) => r.status === 200, () => false);
    took.push(ok ? performance.now() - began : Infinity);
    await new Promise((go) => setTimeout(go, 10));
  }
  parentPort.postMessage(took);
})();`;

/** Asks after the server for as long as something goes on, as a page does. */
export function watchHealth(place: Place) {
  const looks = new Worker(LOOK, { eval: true, workerData: `${place.url}/health` });
  return async (): Promise<{ slowest: number; typical: number }> => {
    const took = await new Promise<number[]>((done) => {
      looks.once('message', done);
      looks.postMessage('over');
    });
    took.sort((a, b) => a - b);
    return { slowest: took.at(-1) ?? 0, typical: took[Math.floor(took.length / 2)] ?? 0 };
  };
}

/** The most memory a process ever had, MB, as Linux counts it. */
export const peakMemory = (pid: number): number =>
  Math.round(Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1000);
