import type { Day } from '../time/day';
import { readDay } from '../time/read';
import { CLUTCH_USES, CONDITIONS, OUTING_KINDS, SYMPTOMS } from './outing';

/** What a pasted column may hold. */
export const PASTE_FIELDS = [
  'machine',
  'day',
  'hours',
  'ridden',
  'minutes ridden',
  'hours ridden',
  'before',
  'distance',
  'distance in miles',
  'kind',
  'rider',
  'conditions',
  'crossings',
  'clutch',
  'symptoms',
  'remark'
] as const;
export type PasteField = (typeof PASTE_FIELDS)[number];

const RIDDEN = /^(ridden|time|time ridden|duration|ride time)$/;
const DISTANCE = /^(distance|km|kilometres?|kilometers?|dist)$/;

/** What people head such columns with; compared without signs and in lower case. */
const HEADS: Record<PasteField, RegExp> = {
  machine: /^(machine|bike|quad|plate|number|no|nr|race ?number|vehicle)$/,
  day: /^(day|date|on|when)$/,
  hours: /^(hours?|meter|hour ?meter|reading|meter after|after|hours after|end|meter shows)$/,
  ridden: RIDDEN,
  'minutes ridden': /^(minutes?|mins?|minutes ridden|ride minutes)$/,
  'hours ridden': /^(hours ridden|ridden hours|ride hours|hours of riding)$/,
  before: /^(before|start|meter before|hours before)$/,
  distance: DISTANCE,
  'distance in miles': /^(miles?|mi)$/,
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
    .replace(/[([].*?[)\]]|[,/].*$/g, '')
    .replace(/[^a-z0-9 ]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

/** A unit that a heading names beside what its column holds: `Distance (mi)`, `Time, min`. */
function unitOf(head: string): string | null {
  const said = /[(,/[]\s*([a-z]+)\.?\s*[)\]]?\s*$/i.exec(head.slice(0, LONGEST_HEAD));
  return said ? said[1]!.toLowerCase() : null;
}
/** What a column holds by its heading, the unit in it heeded. */
function fieldOf(head: string): PasteField | null {
  const name = fold(head);
  const unit = unitOf(head);
  if (RIDDEN.test(name) && /^(min|mins|minutes?)$/.test(unit ?? '')) return 'minutes ridden';
  if (RIDDEN.test(name) && /^(h|hrs?|hours?)$/.test(unit ?? '')) return 'hours ridden';
  if (DISTANCE.test(name) && /^(mi|miles?)$/.test(unit ?? '')) return 'distance in miles';
  return PASTE_FIELDS.find((f) => HEADS[f].test(name)) ?? null;
}

/**
 * Which column holds what, by its heading. Each field goes to the first column that claims it.
 * @returns for each column its field, or null
 */
export function matchColumns(heads: readonly string[]): (PasteField | null)[] {
  const taken = new Set<PasteField>();
  return heads.map((head) => {
    const field = fieldOf(head);
    if (!field || taken.has(field)) return null;
    taken.add(field);
    return field;
  });
}

/** Whether a first row is headings: at least two of its cells say what their column holds. */
export function isHeading(row: readonly string[]): boolean {
  return matchColumns(row).filter(Boolean).length >= 2;
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

/** A figure without its unit. */
const BARE = /^[\d.,]+$/;
/** So many minutes and more are never hours of one ride. */
const LEAST_MINUTES = 13;

/** Time ridden, with its unit: from the column, else from the figure itself where that leaves no doubt. */
function riddenOf(get: (field: PasteField) => string): { typed: string } | { problem: string } {
  const [minutes, hours, said] = [get('minutes ridden'), get('hours ridden'), get('ridden')];
  if (minutes) return { typed: `+${BARE.test(minutes) ? `${minutes} min` : minutes}` };
  if (hours) return { typed: `+${BARE.test(hours) ? `${hours} h` : hours}` };
  if (!said) return { typed: '' };
  if (!/^\d+$/.test(said)) return { typed: `+${said}` };
  return Number(said) >= LEAST_MINUTES || Number(said) === 0
    ? { typed: `+${said} min` }
    : {
        problem: `Is ${said} under time ridden minutes or hours? Say which above the column, or write ${said} min.`
      };
}

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
  const ridden = riddenOf(get);
  if ('problem' in ridden) return bad(ridden.problem);
  const miles = get('distance in miles');
  return {
    ok: true,
    row: {
      machineId: machines[0]!.id,
      day,
      // A meter that was read wins.
      typed: get('hours') || ridden.typed,
      before: get('before'),
      distance: get('distance') || (BARE.test(miles) ? `${miles} mi` : miles),
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
