import { SEVERITIES, type Closing, type Severity } from '../finding/finding';
import { type Centihours } from '../hours/hours';
import { doneAtInWords } from '../record/hours';
import { daysBetween, showDay, type Day } from '../time/day';

/** What the owner of a machine is told, in plain words, on one page. No prices. */
export interface OwnerSheet {
  /** Since when. */
  since: Day;
  done: Line[];
  found: Line[];
  advised: Line[];
  next: Line[];
  /** How many lines of each there was no room for. */
  more: { done: number; found: number; advised: number; next: number };
  photos: { id: string; words: string }[];
}
export interface Line {
  what: string;
  /** Beside it, in smaller print; empty: nothing. */
  more: string;
}

export interface OwnerFacts {
  today: Day;
  since: Day;
  records: readonly {
    what: string;
    part: string | null;
    day: Day;
    hours: Centihours | null;
    machineHours: Centihours | null;
    remark: string;
    /** How much went in, what was measured, each in a few words. */
    figures: readonly string[];
  }[];
  findings: readonly {
    what: string;
    note: string;
    severity: Severity;
    day: Day;
    waits: { waitsFor: string; part: string } | null;
    closed: { day: Day; how: Closing; word: string } | null;
  }[];
  /** The nearest first; `likely` as a phrase, or empty. `unknown`: nobody knows when it was last done. */
  tasks: readonly { name: string; left: string; likely: string; state: 'pressing' | 'unknown' | 'coming' }[];
  round: { day: Day; checks: number; wrong: number } | null;
  photos: readonly { id: string; words: string; day: Day }[];
}

/** One page holds so much. */
const MOST = { done: 9, found: 6, advised: 6, next: 5, photos: 4 };

/** How grave a finding is, as one would tell somebody who does not know our words. */
const PLAIN: Readonly<Record<Severity, string>> = {
  'park the machine': 'Not to be ridden until this is put right.',
  'fix now': 'To be put right before it goes out.',
  'tell the owner': 'For you to decide.',
  watch: 'We keep an eye on it.'
};
const ENDED: Readonly<Record<Closing, string>> = {
  done: 'Put right',
  'owner told': 'Talked over with you',
  'as it was': 'Left as it was'
};

/** Of a long story the beginning: the rest is in the records. */
const LONGEST = 240;
/** A sentence: begins large, ends with a stop. */
const sentence = (text: string): string => {
  const t = text.trim();
  if (t === '') return '';
  if (t.length > LONGEST) return `${t[0]!.toUpperCase()}${t.slice(1, LONGEST).trimEnd()} …`;
  const large = t[0]!.toUpperCase() + t.slice(1);
  return /[.!?…]$/.test(large) ? large : `${large}.`;
};

/**
 * What was done, found and advised since a day, and what comes next with when that likely is.
 *
 * What was found and put right on the way is told as found; what stands open is what is advised.
 */
export function ownerSheet(f: OwnerFacts): OwnerSheet {
  const within = (day: Day) => day >= f.since;
  const day = (d: Day) => showDay(d, f.today);
  const done = f.records.filter((r) => within(r.day));
  const lines = done.map((r): Line => ({
    what: [r.what, r.part].filter(Boolean).join(', '),
    more: [
      day(r.day),
      r.hours === null ? '' : `at ${doneAtInWords(r)}`,
      sentence(r.figures.join(', ')),
      sentence(r.remark)
    ]
      .filter(Boolean)
      .join(' · ')
  }));
  if (f.round && within(f.round.day))
    lines.unshift({
      what: 'Looked over before riding',
      more: `${day(f.round.day)} · ${f.round.checks} checks, ${
        f.round.wrong === 0
          ? 'all as they should be.'
          : `${f.round.wrong} of them not as they should be: see below.`
      }`
    });
  const closed = f.findings.filter((x) => x.closed && within(x.closed.day));
  // What keeps it from being ridden is said first, however long ago it was found.
  const open = f.findings
    .filter((x) => !x.closed)
    .sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity));
  const found = closed.map((x): Line => ({
    what: sentence(x.what),
    more: `${ENDED[x.closed!.how]}, ${day(x.closed!.day)}: ${sentence(x.closed!.word)}`
  }));
  const advised = [
    ...open.map((x): Line => ({
      what: sentence(x.what),
      more: [
        PLAIN[x.severity],
        x.waits ? `It waits for ${x.waits.part || x.waits.waitsFor}.` : '',
        x.note && !x.what.includes(x.note) ? sentence(x.note) : ''
      ]
        .filter(Boolean)
        .join(' ')
    })),
    ...f.tasks
      .filter((t) => t.state === 'pressing')
      .map((t): Line => ({ what: sentence(t.name), more: `Due now: ${t.left}.` })),
    ...f.tasks
      .filter((t) => t.state === 'unknown')
      .map((t): Line => ({ what: sentence(t.name), more: 'When it was last done nobody knows.' }))
  ];
  // However many there are, what keeps it from being ridden is all there.
  const room = Math.max(MOST.advised, open.filter((x) => x.severity === 'park the machine').length);
  const next = f.tasks.filter((t) => t.state === 'coming');
  return {
    since: f.since,
    done: lines.slice(0, MOST.done),
    found: found.slice(0, MOST.found),
    advised: advised.slice(0, room),
    next: next
      .slice(0, MOST.next)
      .map((t): Line => ({ what: t.name, more: [t.left, t.likely].filter(Boolean).join(', ') })),
    more: {
      done: Math.max(0, lines.length - MOST.done),
      found: Math.max(0, found.length - MOST.found),
      advised: Math.max(0, advised.length - room),
      next: Math.max(0, next.length - MOST.next)
    },
    photos: f.photos
      .filter((p) => within(p.day))
      .slice(0, MOST.photos)
      .map(({ id, words }) => ({ id, words }))
  };
}

/** Nothing was done, found or is advised in that time. */
export const isEmpty = (s: OwnerSheet): boolean => s.done.length + s.found.length + s.advised.length === 0;

/** Days a sheet may reach back: a season. */
export const REACHES_BACK = 400;
/** The day asked for, or ninety days back; never after today. */
export function sinceDay(asked: Day | null, today: Day, usual: Day): Day {
  if (!asked || asked > today || daysBetween(asked, today) > REACHES_BACK) return usual;
  return asked;
}
