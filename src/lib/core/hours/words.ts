import { JUDGED_BY, lineOf } from '../judged/by';
import type { Doubt } from './doubt';
import type { ReadingProblem } from './entry';
import { showHours } from './hours';
import { showKm, type OddPace } from './learned';

/** A doubt about a reading, in the words of the person who read the meter. */
export function doubtInWords(d: Doubt): string {
  switch (d.kind) {
    case 'ahead of the clock':
      return 'That moment has not come yet. Put in when the meter was read.';
    case 'higher than the next':
      return `A later reading shows ${showHours(d.next)} h; before it there cannot have been ${showHours(d.value)} h.`;
    case 'lower than the last':
      return `The last reading was ${showHours(d.last)} h; ${showHours(d.value)} h is lower.`;
    case 'unit slip':
      return `${d.slip === 'minutes' ? 'Are those minutes' : 'Was the decimal sign left out'}? ${showHours(d.would)} h would fit.`;
    case 'more than the clock':
      return `${showHours(d.used)} h since the last reading, but only ${d.elapsed < 48 ? `${showHours(d.elapsed * 100)} h have` : `${Math.floor(d.elapsed / 24)} days have`} gone by.`;
    case 'unusual jump':
      return `${showHours(d.used)} h since the last reading; this machine usually does about ${showHours(d.perWeek)} h a week. ${lineOf(JUDGED_BY.hours.jumpTimes)}`;
  }
}

/** A distance that does not fit the hours it was ridden in. */
export function oddPaceInWords({ distance, hours, pace, usual }: OddPace): string {
  const ridden = `${showKm(distance)} in ${showHours(hours)} h`;
  return usual === null
    ? `${ridden} would be ${showKm(pace)}/h. Is the decimal sign right?`
    : `${ridden} is ${showKm(pace)}/h; this machine usually does about ${showKm(usual)}/h. ${lineOf(JUDGED_BY.hours.oddPace)}`;
}

/** A problem at the field it belongs to, and what the form needs to ask the next question. */
export function readingInWords(p: ReadingProblem): {
  field: string;
  message: string;
  more?: Record<string, unknown>;
} {
  const typed = (message: string) => ({ field: 'typed', message });
  switch (p.kind) {
    case 'no meter':
      return typed('This machine has no meter in the book.');
    case 'over a day':
      return typed('More than 24 h ridden on one day? Write the time ridden, such as 2h30.');
    case 'usual hours not known':
      return typed(
        'Its usual hours are not known yet: three outings with hours are wanted. Write the time ridden, such as +2h30.'
      );
    case 'before is lower':
      return {
        field: 'before',
        message: `The last reading was ${showHours(p.last)} h; it cannot have shown less before this outing.`
      };
    case 'odd pace':
      return { field: 'distance', message: oddPaceInWords(p.pace), more: { askSure: true } };
    case 'doubts': {
      const doubts = p.doubts.map((d) => ({ ...d, message: doubtInWords(d) }));
      const message = doubts.map((d) => d.message).join(' ');
      return { ...typed(message), more: { doubts, ways: p.ways } };
    }
    case 'old one showed more':
      return {
        field: 'settlement.oldFinal',
        message: `The old meter already showed ${showHours(p.value)} h. Leave it empty if it could not be read.`
      };
    case 'new one began above':
      return {
        field: 'settlement.newStart',
        message: 'The new meter cannot have started above what it shows now.'
      };
  }
}
