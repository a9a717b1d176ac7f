import { sparkPlugSteps } from './built-in/spark-plug';
import { BEGIN, step, written } from './built-in/steps';
import type { JobTemplate, VersionedTemplate } from './template';

const WRITE = written(['do']);

/** Valves are measured stone cold, whatever the task is called. */
const COLD = /\bvalve|clearance|\bcold\b/i;

/** What is taken out with the valves is done while it is out, whatever the task is called. */
const PLUG = /\bspark ?plug/i;

/**
 * A job for a task that has no steps of its own: done by the manual, and written down. Its key is made from the task's id, so
 * that it is the same in every visit.
 */
export function plainTemplate(task: { id: string; name: string }): JobTemplate & { version: number } {
  const cold = COLD.test(task.name);
  return {
    key: `task-${task.id.slice(0, 8)}`,
    version: 1,
    title: task.name.slice(0, 60),
    about: '',
    circuits: [],
    steps: PLUG.test(task.name)
      ? sparkPlugSteps('do')
      : [
          ...BEGIN,
          step({
            key: 'do',
            title: task.name.slice(0, 90),
            kind: 'tick',
            minutes: cold ? 45 : 15,
            engine: cold ? 'cold' : 'any',
            needs: ['stand'],
            lines: ['By the machine’s manual. Write what was seen and measured in the remark.'],
            caution: cold ? 'Stone cold: overnight is best.' : ''
          }),
          WRITE
        ]
  };
}

/** The step of a plain job at which the work itself is done. */
export const doStep = (job: string): string => `${job}.do`;

/** A job that puts a finding right: by the manual, with what was seen of it before the eyes. */
export function findingTemplate(f: { id: string; what: string; place: string; note: string }): JobTemplate & {
  version: number;
} {
  const plain = plainTemplate({ id: f.id, name: f.what });
  // Words of somebody's, never a blank to fill in.
  const seen = [f.place, f.note].filter(Boolean).map((l) => l.replace(/[{}]/g, '').slice(0, 300));
  return {
    ...plain,
    steps: plain.steps.map((s) => (s.key === 'do' ? { ...s, lines: [...seen, ...s.lines] } : s))
  };
}

/** What a job of a team's own begins with: it can be saved as it comes, once it has a name. */
export const BLANK_JOB: VersionedTemplate = {
  key: '',
  title: '',
  about: '',
  circuits: [],
  steps: [...BEGIN, step({ key: 'do', title: 'Do it', kind: 'tick', minutes: 10, needs: ['stand'] }), WRITE],
  version: 0,
  own: true
};
