import { CLUTCH_USES, CONDITIONS, SYMPTOMS } from './outing';

/** What of an outing ages a machine, as typed; figures are judged by the form's own schema. */
export interface RiddenDraft {
  before: string;
  distance: string;
  conditions: string[];
  crossings: string;
  clutch: string;
  symptoms: string[];
  sure: boolean;
}
export const nothingRidden = (): RiddenDraft => ({
  before: '',
  distance: '',
  conditions: [],
  crossings: '',
  clutch: 'usual',
  symptoms: [],
  sure: false
});

/** The same in one line; empty where nothing was said. */
export const riddenInWords = (r: RiddenDraft): string =>
  [
    r.before && `before ${r.before}`,
    r.distance && `${r.distance}${/[a-z]/i.test(r.distance) ? '' : ' km'}`,
    ...r.conditions,
    r.crossings && `${r.crossings} crossings`,
    r.clutch !== 'usual' && `clutch ${r.clutch}`,
    ...r.symptoms
  ]
    .filter(Boolean)
    .join(', ');

/** The one word of a list that begins so; null where none or more than one does. */
function begun<T extends string>(list: readonly T[], start: string, least: number): T | null {
  if (start.length < least) return null;
  const exact = list.find((w) => w === start);
  const found = list.filter((w) => w.startsWith(start));
  return exact ?? (found.length === 1 ? found[0]! : null);
}

/** Takes one piece into what was ridden; false where it says nothing known. */
function take(piece: string, r: RiddenDraft): boolean {
  const before = /^before (.+)$/.exec(piece);
  if (before) r.before = before[1]!;
  else if (/^\d[\d.,]*\s*(km|mi|miles?)?$/.test(piece)) r.distance = piece;
  else if (/^\d+\s*(x|crossings?)$/.test(piece)) r.crossings = String(Number.parseInt(piece));
  else {
    const use = begun(CLUTCH_USES, piece.replace(/^clutch\s+|\s+clutch$/g, ''), 3);
    const condition = begun(CONDITIONS, piece, 2);
    const symptom = begun(SYMPTOMS, piece, 4);
    if (use) r.clutch = use;
    else if (condition) r.conditions = [...new Set([...r.conditions, condition])];
    else if (symptom) r.symptoms = [...new Set([...r.symptoms, symptom])];
    else return false;
  }
  return true;
}

/**
 * Reads how it was ridden from one line, as short as it can be typed: `34 mu 3x heavy`, `21 mi, dust, clutch slips`. The first
 * letters of a word are enough where only one begins so; a bare figure is kilometres, `3x` three water crossings.
 *
 * @returns what was ridden, or the piece that says nothing known
 */
export function readRidden(text: string): { ok: true; ridden: RiddenDraft } | { ok: false; problem: string } {
  const ridden = nothingRidden();
  for (const phrase of text.toLowerCase().split(/[,;]/)) {
    const piece = phrase.trim().replace(/\s+/g, ' ');
    if (piece === '' || take(piece, ridden)) continue;
    for (const word of piece.replace(/(\d)\s+(km|mi|miles?|x|crossings?)\b/g, '$1$2').split(' '))
      if (!take(word, ridden))
        return {
          ok: false,
          problem: `“${word.slice(0, 30)}” says nothing known here. Such as: 34 km, mud, 3x, heavy, clutch slips.`
        };
  }
  return { ok: true, ridden };
}
