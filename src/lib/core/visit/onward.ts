import { slackAt } from '../chain/at-bench';
import { VERDICT_WORDS } from '../chain/check';
import { showSlack } from '../chain/slack-typed';
import { besideAim } from '../fluids/aim';
import { JUDGED_BY } from '../judged/by';
import { judgeLevel } from '../fluids/level';
import { judge } from '../quantity/band';
import { show } from '../quantity/quantity';
import { isShut, standInWords } from './items';
import { oddAt } from './odd';
import { ranInWords } from './timers';
import { fillInForce, judgedAt, ledgerOf, measuredAt, type StepState, type VisitState } from './state';

/**
 * Whether what was written at a step leaves nothing to do at it, so that writing is also going on: what looks odd, a level short
 * of its aim or a pour that is not all in yet keeps the step on the screen.
 */
export function goesOn(state: VisitState, s: StepState): boolean {
  if (!s.done) return false;
  const { input } = s.step;
  switch (input.type) {
    case 'close':
      return input.items.every((key) => state.items.some((i) => i.item.key === key && isShut(i)));
    case 'drained':
      return oddAt(state, s) === null;
    case 'pour': {
      const first = fillInForce(state, s.step)?.firstMl ?? null;
      const enough =
        first === null || ledgerOf(state, input.circuit).inMl >= first * JUDGED_BY.oil.asPoured.is;
      return enough && oddAt(state, s) === null;
    }
    case 'level': {
      const level = s.written.at(-1)?.level;
      if (!level || !judgeLevel(level).within) return false;
      const { aim } = input.protocol;
      return !('position' in level) || besideAim(level.position, aim) !== 'below';
    }
    case 'slack':
      // Found wrong, what puts it right comes next; wrong with the axle tight, it does not.
      return input.stage !== 'tight' || slackAt(s) === 'inside' || slackAt(s) === 'no figure';
    case 'measure': {
      const last = measuredAt(s).at(-1);
      const { band } = input.number;
      return last !== undefined && (band === null || judge(last, band) !== 'outside');
    }
    default:
      return true;
  }
}

const EDGE = { inside: '', 'on the edge': ', just at the end of its band', outside: ', outside its band' };
const ml = (v: number) => `${Math.round(v)} ml`;

/** What was written at a step, in a few words, for whoever has gone on: empty where its title says it. */
export function writtenInWords(state: VisitState, s: StepState): string {
  const { input } = s.step;
  const last = s.written.at(-1);
  if (s.leftOut !== null) return `left out, ${s.leftOut}`;
  switch (input.type) {
    case 'close':
      return state.items
        .filter((i) => input.items.includes(i.item.key))
        .map(standInWords)
        .join('; ');
    case 'drained':
      return last?.ml === undefined ? '' : ml(last.ml);
    case 'pour':
      return `${ml(ledgerOf(state, input.circuit).inMl)} in it`;
    case 'level':
      return [
        last?.level ? judgeLevel(last.level).words : '',
        last?.toppedUpMl ? `${ml(last.toppedUpMl)} topped up` : ''
      ]
        .filter(Boolean)
        .join(', ');
    case 'measure': {
      const measured = measuredAt(s).at(-1);
      return measured ? `${show(measured)}${EDGE[judgedAt(s) ?? 'inside']}` : '';
    }
    case 'choice':
      return last?.answer ?? '';
    case 'clearances':
      return last?.clearances
        ? `${last.clearances.valves} valves, ${last.clearances.bad === 0 ? 'all in' : `${last.clearances.bad} out`}`
        : '';
    case 'slack':
      return last?.slack ? `${showSlack(last.slack.mm)}, ${VERDICT_WORDS[slackAt(s)!]}` : '';
    case 'debris':
      return last?.grade ?? '';
    case 'oil':
      return [last?.oil, last?.oilGrade].filter(Boolean).join(' ');
    case 'open':
      return 'off';
    case 'start':
      return last?.ranSeconds ? `ran ${ranInWords(last.ranSeconds)}` : '';
    default:
      return '';
  }
}
