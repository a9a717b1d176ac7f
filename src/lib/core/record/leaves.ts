import { slackAt } from '../chain/at-bench';
import { showSlack, wantedInWords } from '../chain/slack-typed';
import type { Cause, Severity } from '../finding/finding';
import { foundInWords } from '../fasteners/found';
import type { WaitsFor } from '../finding/reminder';
import type { VisitPlan } from '../job/plan';
import { judge, showBand } from '../quantity/band';
import { show } from '../quantity/quantity';
import { isTight, standInWords, type ItemState } from '../visit/items';
import { measuredAt, type StepState, type VisitState } from '../visit/state';
import { verdictOf } from './record';

/** A finding that a closed visit leaves behind. */
export interface LeftFinding {
  /** What of the visit it is about; the same visit finds the same thing once. */
  key: string;
  cause: Cause;
  what: string;
  note: string;
  place: string;
  severity: Severity;
  fastenerId: string | null;
  /** The job whose machine or component it is on; null: the machine's own. */
  job: string | null;
  waits: { waitsFor: WaitsFor; part: string } | null;
  /** What closed it in the same visit; null: it stays open. */
  closed: string | null;
}

export interface Leaves {
  findings: LeftFinding[];
  /** Fasteners that are tight now: what was deferred on them is done. */
  tight: { fastenerId: string; word: string }[];
}

/** Longer than any line on a screen; the rest stands in the note. */
const LINE = 200;
const line = (text: string) => (text.length <= LINE ? text : `${text.slice(0, LINE - 1)}…`);

/**
 * What a visit leaves behind besides its records: work that was deferred, metal that has to be traced, fasteners found loose,
 * over-tight, damaged or missing, and numbers outside their band (handbook, sections 4, 6 and 7).
 */
export function leavesOf(plan: Pick<VisitPlan, 'jobs'>, state: VisitState): Leaves {
  const jobOf = (i: ItemState) =>
    i.item.circuit === null
      ? null
      : (plan.jobs.find((j) => j.circuits.includes(i.item.circuit!))?.key ?? null);
  return {
    findings: [
      ...state.steps.filter((s) => s.called).flatMap(tracedBy),
      ...state.steps.filter((s) => s.called && s.done).flatMap(outsideAt),
      ...slackLeft(state.steps),
      ...state.items.flatMap((i) => deferredBy(i, jobOf(i))),
      ...state.items.flatMap((i) => foundAt(i, jobOf(i)))
    ],
    tight: state.items.flatMap((i) =>
      isTight(i) && i.item.kind === 'fastener' && i.item.fastenerId
        ? [{ fastenerId: i.item.fastenerId, word: `At the bench: ${standInWords(i)}.` }]
        : []
    )
  };
}

/** Metal whose source has to be found before it is ridden. */
function tracedBy(s: StepState): LeftFinding[] {
  const judged = verdictOf(s);
  const { input } = s.step;
  const grade = s.written.at(-1)?.grade;
  if (input.type !== 'debris' || !judged || !grade) return [];
  if (judged.verdict !== 'find the source' && judged.verdict !== 'park it') return [];
  return [
    {
      key: `debris:${s.step.key}`,
      cause: 'debris',
      what: line(`${input.place}: ${grade}; ${judged.verdict}`),
      note: judged.overruled ?? judged.reasons.join(' '),
      place: input.place.slice(0, 120),
      severity: 'park the machine',
      fastenerId: s.step.points[0] ?? null,
      job: s.step.jobs[0] ?? null,
      waits: null,
      closed: null
    }
  ];
}

/** Measured outside its band. What was put right in the same visit, and measured again, is closed with that number. */
function outsideAt(s: StepState): LeftFinding[] {
  const { input } = s.step;
  if (input.type !== 'measure' || !input.number.band) return [];
  const { band } = input.number;
  const measured = measuredAt(s);
  const found = measured.find((q) => judge(q, band) === 'outside');
  const left = measured.at(-1);
  if (!found || !left) return [];
  return [
    {
      key: `measure:${s.step.key}`,
      cause: 'measure',
      what: line(`${s.step.title}: ${show(found)}; wanted ${showBand(band)}`),
      note: s.written.findLast((w) => w.remark)?.remark ?? '',
      place: '',
      severity: 'fix now',
      fastenerId: s.step.points[0] ?? null,
      job: s.step.jobs[0] ?? null,
      waits: null,
      closed: judge(left, band) === 'outside' ? null : `At the bench: ${show(left)}.`
    }
  ];
}

/** Slack that stays wrong. What was put right in the same visit is ordinary work, and leaves nothing. */
function slackLeft(steps: readonly StepState[]): LeftFinding[] {
  const read = steps.filter((s) => s.step.input.type === 'slack' && s.called && s.done);
  const last = read.at(-1);
  const [verdict, said] = last ? [slackAt(last), last.written.at(-1)?.slack] : [null, undefined];
  if (
    !last ||
    !said ||
    last.step.input.type !== 'slack' ||
    (verdict !== 'too tight' && verdict !== 'too slack')
  )
    return [];
  const w = last.step.input.wanted!;
  return [
    {
      key: `slack:${last.step.key}`,
      cause: 'measure',
      what: line(`Chain slack ${verdict}: ${showSlack(said.mm)}; wanted ${wantedInWords(w)}`),
      note: last.written.findLast((x) => x.remark)?.remark ?? '',
      place: '',
      severity: 'fix now',
      fastenerId: null,
      job: null,
      waits: null,
      closed: null
    }
  ];
}

/** What could not be finished. */
function deferredBy(i: ItemState, job: string | null): LeftFinding[] {
  if (!i.deferred) return [];
  const torque = i.item.torque?.band;
  return [
    {
      key: i.item.key,
      cause: 'deferred',
      what: line(
        `${i.item.name}: ${torque ? `torque ${showBand(torque)}` : 'finish it'} (${i.deferred.reason})`
      ),
      note: i.deferred.reason,
      place: i.item.place,
      severity: i.deferred.usable ? 'fix now' : 'park the machine',
      fastenerId: i.item.fastenerId,
      job,
      waits: { waitsFor: i.deferred.waitsFor, part: i.deferred.part },
      closed: null
    }
  ];
}

/** Found loose, over-tight, damaged or missing. What was only loose is closed by its torque, unless it was so before. */
function foundAt(i: ItemState, job: string | null): LeftFinding[] {
  return i.found.map((f, n): LeftFinding => {
    const again = f.how === 'loose' && i.item.found.some((b) => b.how === 'loose');
    const mended = isTight(i) && f.how !== 'damaged' && !again;
    return {
      key: `found:${i.item.key}:${n}`,
      cause: 'fastener',
      what: line(foundInWords(i.item.name, f.how, again)),
      note: f.note,
      place: i.item.place,
      severity: f.how === 'damaged' ? 'fix now' : 'watch',
      fastenerId: i.item.fastenerId,
      job,
      waits: null,
      closed: mended ? `At the bench: ${standInWords(i)}.` : null
    };
  });
}
