import { performance } from 'node:perf_hooks';
import { loopLength, slackIn } from '../src/lib/core/chain/run';
import { centreAt, slackOverTravel, tightPoint, type Arm } from '../src/lib/core/chain/travel';

/**
 * How much of a frame it takes to work the slack out anew over the whole travel, with its tightest point, while the arm or the
 * probe is dragged; and how that grows with the places of the curve.
 */
const GEARS = { pitch: 15.875, front: 13, rear: 50 };
const ARM: Arm = { pivot: { x: 54, y: -10 }, length: 592, droop: -19, bump: 8 };
/** A sixtieth of a second, ms. */
const FRAME = 16;
const FRAMES = 2000;

const median = (list: number[]) => [...list].sort((a, b) => a - b)[list.length >> 1]!;
/** Every frame has another probe and another slack, as a hand drags it. */
function frames(places: number): number {
  const times: number[] = [];
  let sum = 0;
  for (let i = 0; i < FRAMES; i++) {
    const m = { at: 0.2 + (0.6 * i) / FRAMES, slack: 35 + (i % 40), angle: ARM.droop };
    const started = performance.now();
    const curve = slackOverTravel(ARM, GEARS, m, places);
    const tight = tightPoint(ARM, GEARS, m);
    const loop = loopLength(centreAt(ARM, m.angle), GEARS, m);
    sum += curve[places]! + tight.slack + slackIn(loop, centreAt(ARM, -5), GEARS, m.at);
    times.push(performance.now() - started);
  }
  if (!Number.isFinite(sum)) throw new Error('no slack');
  // The first ones are the compiler's.
  return median(times.slice(FRAMES / 4));
}
frames(200);
const [few, many] = [frames(200), frames(2000)];
console.log(JSON.stringify({ ms: few, frame: few / FRAME, grows: many / few }));
