import { isDay, type Day } from '../time/day';
import { CLUTCH_USES, CONDITIONS, OUTING_KINDS, SYMPTOMS } from './outing';

/** What a pasted column may hold. */
export const PASTE_FIELDS = [
  'machine',
  'day',
  'hours',
  'ridden',
  'before',
  'distance',
  'kind',
  'rider',
  'conditions',
  'crossings',
  'clutch',
  'symptoms',
  'remark'
] as const;
export type PasteField = (typeof PASTE_FIELDS)[number];

/** What people head such columns with; compared without signs and in lower case. */
const HEADS: Record<PasteField, RegExp> = {
  machine: /^(machine|bike|quad|plate|number|no|nr|race ?number|vehicle)$/,
  day: /^(day|date|on|when)$/,
  hours: /^(hours?|meter|hour ?meter|reading|meter after|after|hours after|end|meter shows)$/,
  ridden: /^(ridden|time|time ridden|minutes|duration|ride time|min)$/,
  before: /^(before|start|meter before|hours before)$/,
  distance: /^(distance|km|kilometres|kilometers|miles|mi|dist)$/,
  kind: /^(kind|type|what|event|session)$/,
  rider: /^(rider|ridden by|who|name|driver)$/,
  conditions: /^(conditions?|ground|weather|terrain|surface)$/,
  crossings: /^(crossings?|water|water crossings|fords?)$/,
  clutch: /^(clutch|clutch use)$/,
  symptoms: /^(symptoms?|problems?|complaints?|issues?|trouble)$/,
  remark: /^(remarks?|notes?|comments?|words)$/
};

/** No heading is longer; what is, need not be looked through. */
const LONGEST_HEAD = 80;
const fold = (text: string) =>
  text
    .slice(0, LONGEST_HEAD)
    .toLowerCase()
    .replace(/\(.*?\)|,.*$/g, '')
    .replace(/[^a-z0-9 ]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

/**
 * Which column holds what, by its heading. Each field goes to the first column that claims it.
 * @returns for each column its field, or null
 */
export function matchColumns(heads: readonly string[]): (PasteField | null)[] {
  const taken = new Set<PasteField>();
  return heads.map((head) => {
    const field = PASTE_FIELDS.find((f) => !taken.has(f) && HEADS[f].test(fold(head)));
    if (field) taken.add(field);
    return field ?? null;
  });
}

/** Whether a first row is headings: at least two of its cells say what their column holds. */
export function isHeading(row: readonly string[]): boolean {
  return matchColumns(row).filter(Boolean).length >= 2;
}

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

/**
 * A day as spreadsheets and people write it: `2026-11-21`, `21.11.2026`, `21/11/2026`, `21 Nov 2026`, `21 Nov`. Day and
 * month the other way round (`11/21/2026`) only where nothing else is possible.
 *
 * @param today for days without a year: the latest such day that is not ahead of it
 */
export function readDay(text: string, today: Day): Day | null {
  const t = text
    .trim()
    .toLowerCase()
    .replace(/^(mon|tue|wed|thu|fri|sat|sun)[a-z]*,?\s+/, '');
  const iso = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})(?:[t ].*)?$/.exec(t);
  const make = (y: number, m: number, d: number): Day | null => {
    const day = `${y}-${String(m).padStart(2, '0')}-${String(d).padStart(2, '0')}`;
    return isDay(day) ? day : null;
  };
  if (iso) return make(Number(iso[1]), Number(iso[2]), Number(iso[3]));
  const full = (y: string) => (y.length === 2 ? 2000 + Number(y) : Number(y));
  const year = (month: number, date: number, said: string | undefined): Day | null => {
    if (said) return make(full(said), month, date);
    const thisYear = Number(today.slice(0, 4));
    const day = make(thisYear, month, date);
    return day && day <= today ? day : make(thisYear - 1, month, date);
  };
  const num = /^(\d{1,2})[-/. ]+(\d{1,2})(?:[-/. ]+(\d{2}|\d{4}))?\.?$/.exec(t);
  if (num) {
    const [a, b] = [Number(num[1]), Number(num[2])];
    return year(b, a, num[3]) ?? (b > 12 ? year(a, b, num[3]) : null);
  }
  const named = /^(\d{1,2})\.?[- ]+([a-z]{3})[a-z]*\.?(?:,?[- ]+(\d{2}|\d{4}))?$/.exec(t);
  if (named && MONTHS.includes(named[2]!))
    return year(MONTHS.indexOf(named[2]!) + 1, Number(named[1]), named[3]);
  const other = /^([a-z]{3})[a-z]*\.?\s+(\d{1,2})(?:st|nd|rd|th)?(?:,?\s+(\d{4}))?$/.exec(t);
  if (other && MONTHS.includes(other[1]!))
    return year(MONTHS.indexOf(other[1]!) + 1, Number(other[2]), other[3]);
  return null;
}

/** What pasted rows are held against. */
export interface PasteContext {
  machines: readonly { id: string; plate: string; name: string }[];
  people: readonly { id: string; name: string }[];
  today: Day;
  /** For rows that say none. */
  day: Day;
  kind: (typeof OUTING_KINDS)[number];
}

/** A row ready to be sent, as the race-day form would send it. */
export interface PastedRow {
  machineId: string;
  day: Day;
  typed: string;
  before: string;
  distance: string;
  outing: string;
  riderId: string | null;
  conditions: string[];
  crossings: string;
  clutch: string;
  symptoms: string[];
  remark: string;
}

export type CheckedRow = { ok: true; row: PastedRow } | { ok: false; problem: string };

const list = (text: string) =>
  text
    .split(/[,;+/&]| and /i)
    .map((w) => w.trim().toLowerCase())
    .filter(Boolean);

/**
 * Checks one pasted row: names are looked up, days and words read, and what cannot be is explained. Figures are left as
 * typed; the form's own schema judges them, so that a paste and a person are held to the same.
 */
export function checkRow(
  cells: readonly string[],
  columns: readonly (PasteField | null)[],
  context: PasteContext
): CheckedRow {
  const get = (field: PasteField): string => {
    const i = columns.indexOf(field);
    return i < 0 ? '' : (cells[i] ?? '').trim();
  };
  const bad = (problem: string): CheckedRow => ({ ok: false, problem });
  const said = get('machine').toLowerCase();
  if (!said) return bad('No machine named.');
  const machines = context.machines.filter(
    (m) =>
      m.plate.toLowerCase() === said ||
      m.name.toLowerCase() === said ||
      `${m.plate} ${m.name}`.toLowerCase() === said
  );
  if (machines.length === 0) return bad(`No machine “${get('machine').slice(0, 40)}” in this team.`);
  if (machines.length > 1) return bad(`Two machines are called “${get('machine')}”. Write the plate.`);
  const day = get('day') === '' ? context.day : readDay(get('day'), context.today);
  if (!day) return bad(`“${get('day').slice(0, 30)}” is no day. Write it like ${context.today}.`);
  const rider = get('rider').toLowerCase();
  const people = rider
    ? context.people.filter(
        (p) => p.name.toLowerCase() === rider || p.name.toLowerCase().split(' ')[0] === rider
      )
    : [];
  if (rider && people.length !== 1)
    return bad(
      people.length === 0
        ? `Nobody called “${get('rider').slice(0, 40)}” in this team.`
        : `Two people are called “${get('rider')}”.`
    );
  const kind = get('kind').toLowerCase() || context.kind;
  if (!(OUTING_KINDS as readonly string[]).includes(kind))
    return bad(`“${kind.slice(0, 30)}” is no kind of outing. One of: ${OUTING_KINDS.join(', ')}.`);
  const conditions = list(get('conditions'));
  const odd = conditions.find((c) => !(CONDITIONS as readonly string[]).includes(c));
  if (odd) return bad(`“${odd.slice(0, 30)}” is no condition. Any of: ${CONDITIONS.join(', ')}.`);
  const clutch = get('clutch').toLowerCase() || 'usual';
  if (!(CLUTCH_USES as readonly string[]).includes(clutch))
    return bad(`Clutch is ${CLUTCH_USES.join(', ')}; not “${clutch.slice(0, 30)}”.`);
  const symptoms = list(get('symptoms'));
  const strange = symptoms.find((s) => !(SYMPTOMS as readonly string[]).includes(s));
  if (strange)
    return bad(
      `“${strange.slice(0, 40)}” is no symptom known here. Put it under remark, or one of: ${SYMPTOMS.join(', ')}.`
    );
  const ridden = get('ridden');
  return {
    ok: true,
    row: {
      machineId: machines[0]!.id,
      day,
      // Bare figures under "minutes" or "time ridden" are minutes; a meter that was read wins.
      typed: get('hours') || (ridden ? `+${/^\d+$/.test(ridden) ? `${ridden} min` : ridden}` : ''),
      before: get('before'),
      distance: get('distance'),
      outing: kind,
      riderId: people[0]?.id ?? null,
      conditions,
      crossings: get('crossings'),
      clutch,
      symptoms,
      remark: get('remark')
    }
  };
}
