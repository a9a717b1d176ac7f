import { showHours, showTenths } from '../hours/hours';
import type { Sensitivity, Strain } from '../outing/outing';
import { showDay } from '../time/day';
import type { TaskDue, TriggerDue } from './due';
import type { MachineNow } from './task';
import { everyInWords, lacksOdometer, leftOf, likelyPhrase, showAmount, showLeft } from './words';

/** One line of the sum: what it is about, and what is said of it. */
export interface WhyLine {
  head: string;
  text: string;
}

/** How many times an hour under a strain counts, in words. */
function weights(strained: Partial<Record<Strain, number>>, sensitivity: Sensitivity): string[] {
  return Object.entries(strained).flatMap(([strain, hours]) => {
    const by = sensitivity[strain as Strain] ?? 1;
    return by > 1 ? [`${showHours(hours)} h of ${strain} counted ${by} times`] : [];
  });
}

/**
 * Why a task is due when it is: the whole sum in words, one line a step, so that a mechanic can check it with a pencil.
 *
 * @param due the task worked out
 * @param now where its machine stands
 * @param estimated whether the running hours rest on time ridden since the last true reading
 */
export function whyDue(due: TaskDue, now: MachineNow, estimated: boolean): WhyLine[] {
  const { task } = due;
  const lines: WhyLine[] = [];
  const say = (head: string, text: string) => lines.push({ head, text });

  for (const c of task.calls)
    say(
      'Called',
      `${c.kind === 'incident' ? 'Incident' : 'Symptom'} “${c.what}” on ${showDay(c.day, now.today)}${c.words ? `: ${c.words.replace(/[.\s]+$/, '')}` : ''}. It calls this task now, whatever the hours say.`
    );
  const { counted } = task;
  const of = task.part ? ` on the ${task.part.name}` : '';
  if (!counted) {
    say('Last done', 'Nobody knows, so nothing can be counted. Say when it was last done, or do it.');
    return lines;
  }
  say(
    'Last done',
    counted.since === 'done'
      ? `${task.perPart ? 'Part replaced' : 'Done'} ${showDay(counted.day, now.today)}${counted.hours === null ? ', hours not known' : ` at ${showHours(counted.hours)} h${of}`}.`
      : counted.since === 'rebuild'
        ? `Not since the rebuild of ${showDay(counted.day, now.today)}${counted.hours === null ? '' : ` at ${showHours(counted.hours)} h${of}`}: the first interval holds.`
        : 'Never yet, counted from new: the first interval holds.'
  );
  for (const t of due.triggers) lines.push(...ofTrigger(t, due));
  if (due.triggers.length > 1 && due.deciding)
    say(
      'Whichever first',
      `${everyInWords(due.deciding.trigger, due.deciding.interval)} decides: ${leftOf(due.deciding)}.`
    );
  const total = now.total;
  if (total !== null && due.deciding?.trigger.measure === 'hours' && due.deciding.left !== null)
    say(
      'Now',
      `The machine stands at ${showHours(total)} h, so it falls due at ${showTenths(total + due.deciding.left)} h.`
    );
  if (now.rate)
    say(
      'Rate of use',
      `${now.rate.perDay > 0 ? `About ${showTenths(now.rate.perDay * 7)} h a week` : 'No hours outside planned outings'} over the last ${now.rate.days} days${now.planned.length > 0 ? `, and ${now.planned.length} planned ${now.planned.length === 1 ? 'outing' : 'outings'} on top` : ''}${likelySentence(due, now)}`
    );
  else say('Rate of use', 'Too little history to say when: four weeks with four readings are wanted.');
  if (due.inside)
    say(
      'Calendar',
      due.inside.before
        ? `Ridden at the planned outings only, it would fall due inside ${due.inside.name}; ridden in between as usual, before that.`
        : `It falls due inside ${due.inside.name}: do it before.`
    );
  if (due.limitInside)
    say(
      'Limit',
      `It passes its limit inside ${due.limitInside.name}, by ${showLeft(due.limitInside.by, due.limitInside.measure)}: the machine is not ready for it.`
    );
  if (estimated)
    say(
      'Estimated',
      'The running hours rest on time ridden or estimates since the last true reading; the next reading takes their place.'
    );
  return lines;
}

function ofTrigger(t: TriggerDue, due: TaskDue): WhyLine[] {
  const { trigger } = t;
  const m = trigger.measure;
  const parts = [
    `${trigger.first ? 'first time after' : everyInWords(trigger, trigger.book).replace(/^every/, 'the book says every')}${trigger.first ? ` ${showAmount(trigger.book, m)}` : ''}`
  ];
  if (trigger.shortenedTo !== null && trigger.shortenedTo < trigger.book)
    parts.push(`shortened to ${showAmount(trigger.shortenedTo, m)}`);
  if (trigger.within !== null && trigger.within <= t.interval)
    parts.push(`by what was measured last time within ${showLeft(trigger.within, m)}`);
  else if (
    due.task.anchoring === 'from due' &&
    t.interval < Math.min(trigger.book, trigger.shortenedTo ?? Infinity)
  )
    parts.push(`counted from when it was due, so ${showAmount(t.interval, m)} after it was done`);
  if (trigger.bookLimit !== null) parts.push(`tolerated up to ${showAmount(trigger.bookLimit, m)}`);
  const lines: WhyLine[] = [{ head: 'Interval', text: `${upper(parts.join('; '))}.` }];
  if (lacksOdometer(t, due.task))
    lines.push({
      head: 'Counted',
      text: 'Nothing counts the distance: the machine has no odometer here. Add one, and it is counted from there.'
    });
  if (trigger.late)
    lines.push({ head: 'Counted', text: 'From when its odometer began: it was done before that.' });
  if (trigger.used !== null) {
    lines.push({
      head: 'Counted',
      text: `${showAmount(trigger.used, m)} since then${trigger.aged === null ? '' : ' by the meter'}: ${leftOf(trigger.aged === null ? t : { ...t, left: t.interval - trigger.used })}.`
    });
    if (trigger.aged !== null) {
      const by = weights(due.task.strained, due.task.sensitivity);
      lines.push({
        head: 'By the riding',
        text:
          by.length > 0
            ? `${by.join(', ')}: ${showAmount(trigger.aged, m)} instead of ${showAmount(trigger.used, m)}, so ${leftOf(t)}.`
            : 'No hour of it was harder than usual: the same as by the meter.'
      });
    }
  } else if (m !== 'days') lines.push({ head: 'Counted', text: 'Not known since then.' });
  else if (t.left !== null)
    lines.push({ head: 'Counted', text: `${showAmount(t.interval - t.left, m)} since then: ${leftOf(t)}.` });
  return lines;
}

/** When, at the end of the line about the rate. */
function likelySentence(due: TaskDue, now: MachineNow): string {
  const { likely } = due;
  if (!likely) return ', but something it depends on is not known.';
  const range = likely.to !== null && likely.from !== likely.to;
  return `: ${likelyPhrase(likely, now.today)}${range ? ', eight times out of ten' : ''}.`;
}

const upper = (s: string) => s[0]!.toUpperCase() + s.slice(1);
