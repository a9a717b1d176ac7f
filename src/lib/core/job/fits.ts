import { has } from '../machine/has';
import type { Kind } from '../machine/machine';
import { circuitsOf } from '../specs/usual';
import { VALVE_JOBS } from '../valve/task';
import type { Circuit, Sheet } from '../specs/sheet';
import { circuitFigure, isTwoStroke, methodOf } from './layout/context';
import type { TemplateStep } from './template';

/** Jobs of the product that are one kind of machine's: their way of warming, or what must never go in. */
const ONLY: Readonly<Record<string, (kind: Kind) => boolean>> = {
  'gearbox-two-stroke': isTwoStroke,
  chain: (kind) => has(kind, 'chain'),
  'air-filter': (kind) => has(kind, 'air filter'),
  'spark-plug': (kind) => has(kind, 'spark plug'),
  ...Object.fromEntries([...VALVE_JOBS, 'cam-chain'].map((key) => [key, (kind: Kind) => has(kind, 'valves')]))
};

type Job = {
  key: string;
  circuits: readonly Circuit[];
  steps: readonly Pick<TemplateStep, 'each' | 'kind'>[];
};

/**
 * Whether a job can be done on a machine: it has the oil circuits the job is about, and its levels are not read some other way
 * than at the screw the job opens. What the sheet does not say yet speaks against nothing.
 * @param sheet null: not known here
 */
export function fitsMachine(job: Job, kind: Kind, sheet: Sheet | null): boolean {
  if (ONLY[job.key] && !ONLY[job.key]!(kind)) return false;
  const usual = circuitsOf(kind);
  const there = (circuit: Circuit) =>
    usual.includes(circuit) ||
    (sheet !== null &&
      (sheet.fasteners.some((f) => f.circuit === circuit) ||
        circuitFigure(sheet, circuit, 'amount') !== null));
  if (!job.circuits.every(there)) return false;
  const atScrew = job.steps.some((s) => s.kind === 'open' && s.each === 'check screw');
  if (!atScrew || sheet === null) return true;
  return job.circuits.every((c) => {
    const method = methodOf(sheet, c);
    return method === null || method === 'check screw';
  });
}
