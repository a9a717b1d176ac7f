import type { FigureKey } from './kinds';
import type { Day } from '../time/day';

/** A modification, and the figures it may make wrong: by key, or every torque of a role. */
export const MODIFICATIONS: Readonly<Record<string, { figures: readonly FigureKey[]; why: string }>> = {
  'bored or other piston': {
    figures: [
      'plug gap',
      'spark plug',
      'engine oil grade',
      'inlet valve clearance',
      'exhaust valve clearance'
    ],
    why: 'Another bore runs at other temperatures and wants other clearances.'
  },
  'other camshaft': {
    figures: ['inlet valve clearance', 'exhaust valve clearance', 'top dead centre'],
    why: 'Its maker gives its own clearances and marks.'
  },
  'other exhaust': {
    figures: ['spark plug', 'plug gap'],
    why: 'Mixture and plug heat change with it.'
  },
  'other gearing': {
    figures: ['front sprocket', 'rear sprocket', 'chain links', 'chain slack'],
    why: 'Other sprockets move the axle and change links and slack.'
  },
  'other chain': {
    figures: ['chain pitch', 'chain links', 'chain slack', 'chain wear length'],
    why: 'Its maker gives its own pitch and wear limit.'
  },
  'aftermarket clutch': {
    figures: [
      'clutch free play',
      'engine oil grade',
      'gearbox oil grade',
      'gearbox oil',
      'engine oil with filter'
    ],
    why: 'Other plates, springs or covers change free play, oil and quantity.'
  },
  'other suspension': {
    figures: ['fork oil', 'fork oil level', 'fork oil grade', 'chain slack', 'chain slack place'],
    why: 'Another fork or shock has its own oil, and other travel another slack.'
  },
  'other wheels or tyres': {
    figures: ['front tyre pressure', 'rear tyre pressure', 'torque'],
    why: 'Pressures and axle torque belong to the wheel that was printed.'
  },
  'oil cooler or larger filter cover': {
    figures: [
      'engine oil with filter',
      'engine oil without filter',
      'engine oil dry',
      'engine oil between marks'
    ],
    why: 'It holds oil that the book did not count.'
  }
};
export const MODIFICATION_NAMES = Object.keys(MODIFICATIONS);

export interface Modification {
  id: string;
  what: string;
  words: string;
  day: Day;
  /** Taken back on that day; null while it is on. */
  undone: Day | null;
  /** Figures somebody has looked at again since. */
  checked: readonly string[];
}

/**
 * The modifications that may have made a figure wrong: those of its kind that are on, came after the figure was written,
 * and since which nobody has looked at it again.
 *
 * @param figure its key, its id and the day it was put on the sheet
 */
export function doubtedBy(
  figure: { id: string; key: FigureKey; on: Day },
  modifications: readonly Modification[]
): Modification[] {
  return modifications.filter(
    (m) =>
      m.undone === null &&
      m.day >= figure.on &&
      (MODIFICATIONS[m.what]?.figures.includes(figure.key) ?? false) &&
      !m.checked.includes(figure.id)
  );
}

/** Names of oil grades, one a line with the air temperatures it is for. */
export interface GradeSpan {
  grade: string;
  /** °C; null: no bound on that side. */
  from: number | null;
  to: number | null;
}

const LINE =
  /^(.+?)[:\s]\s*(?:(?:(-?\d{1,3})\s*°?\s*([CF])?\s*(?:to|\.\.|–|—)\s*(-?\d{1,3}))|(?:(below|under|above|over)\s+(-?\d{1,3})))\s*°?\s*([CF])?$/i;

/**
 * Reads a table of oil grades by air temperature, one a line: `10W-40 −10 to 40`, `10W-50: above 5 °C`. Fahrenheit where
 * it says F.
 * @returns the spans, or what is wrong with which line
 */
export function readGradeTable(
  text: string
): { ok: true; spans: GradeSpan[] } | { ok: false; message: string } {
  const lines = text
    .split(/\n|;/)
    .map((l) => l.replace(/[−‒]/g, '-').trim())
    .filter(Boolean);
  const spans: GradeSpan[] = [];
  for (const [i, line] of lines.entries()) {
    const m = LINE.exec(line);
    if (!m)
      return {
        ok: false,
        message: `Line ${i + 1}, “${line.slice(0, 40)}”: write a grade and its temperatures, such as 10W-40 −10 to 40.`
      };
    const unit = (m[7] ?? m[3])?.toUpperCase();
    const c = (t: string) => (unit === 'F' ? Math.round(((Number(t) - 32) * 5) / 9) : Number(t));
    const [from, to] = m[2]
      ? [c(m[2]), c(m[4]!)]
      : /below|under/i.test(m[5]!)
        ? [null, c(m[6]!)]
        : [c(m[6]!), null];
    if (from !== null && to !== null && from >= to)
      return { ok: false, message: `Line ${i + 1}: ${from} to ${to} runs backwards.` };
    if ([from, to].some((t) => t !== null && (t < -60 || t > 70)))
      return {
        ok: false,
        message: `Line ${i + 1}: no rider goes out in that. Is it Fahrenheit? Then write F.`
      };
    spans.push({ grade: m[1]!.trim(), from, to });
  }
  return spans.length > 0 ? { ok: true, spans } : { ok: false, message: 'Write at least one grade.' };
}
