import { showHours } from '../hours/hours';
import { agedHours } from './count';
import { decide, type Pending } from './decide';
import { pressure, type Ahead, type State } from './state';
import type { Measure, Task } from './task';
import { showAmount } from './words';
import { JUDGED_BY } from '../judged/by';

const SHORTER = JUDGED_BY.work.shorter.is;

/**
 * A shorter interval to propose, in steps a workshop would write down; null when it cannot get shorter.
 * Nothing ever proposes a longer one.
 */
export function proposeShorter(amount: number, measure: Measure): number | null {
  const step = measure === 'hours' ? (amount > 1000 ? 100 : 50) : measure === 'distance' ? 1000 : 1;
  const to = Math.max(step, Math.floor((amount * SHORTER) / step) * step);
  return to < amount ? to : null;
}

const HARDER = JUDGED_BY.work.harder.is;

/**
 * For a task that ages by the meter: whether the riding since it was last done was so hard that a shorter interval is worth
 * proposing, in words. Null when it was not, or when it ages by the riding already.
 */
export function hardRiding(task: Task): string | null {
  const hours = task.triggers.find((t) => t.measure === 'hours');
  if (!hours || hours.used === null || hours.used < 200 || hours.aged !== null) return null;
  const aged = agedHours(hours.used, task.strained, task.sensitivity);
  if (aged < hours.used * HARDER) return null;
  const worst = Object.entries(task.strained)
    .filter(([strain]) => (task.sensitivity[strain as keyof typeof task.sensitivity] ?? 1) > 1)
    .sort((a, b) => b[1] - a[1])
    .slice(0, 2)
    .map(([strain, h]) => `${showHours(h)} h of ${strain}`);
  return `Ridden hard since the last time (${worst.join(', ')}): ${showAmount(hours.used, 'hours')} by the meter weigh like ${showAmount(aged, 'hours')}.`;
}

/**
 * What a proposal that nobody has decided would make of a task: its state once it is taken, where that is another.
 *
 * @param task as it stands
 * @param by how much sooner, and counted in what
 * @returns null where it changes nothing
 */
export function ifTaken(task: Pending, by: { measure: Measure; sooner: number }, ahead: Ahead): State | null {
  const points = task.points.map((p) =>
    p.measure === by.measure && p.left !== null
      ? { ...p, left: p.left - by.sooner, interval: p.interval - by.sooner }
      : p
  );
  const [now, then] = [decide(task, ahead).state, decide({ ...task, points }, ahead).state];
  return pressure(then) < pressure(now) ? then : null;
}
