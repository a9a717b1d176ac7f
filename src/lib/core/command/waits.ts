import type { Kind } from './commands';

/**
 * What is written where there is no signal, and waits on the device until there is one: hours, what was done and found, readings, and
 * all that is written at the bench, from its beginning. It says what happened; nobody has to be asked before the hand goes on. What
 * plans, sets up or strikes out wants the book as it stands, and is refused without it.
 */
export const MAY_WAIT = [
  'reading.log',
  'odometer.log',
  'task.done',
  'call.report',
  'finding.add',
  'finding.close',
  'finding.regrade',
  'finding.wait',
  'finding.photo',
  'reminder.add',
  'reminder.note',
  'filter.washed',
  'valve.measure',
  'valve.shim',
  'chain.measure',
  'chain.length',
  'chain.look',
  'chain.dress',
  'round.answer',
  'visit.start',
  'visit.enter',
  'visit.close',
  'photo.attach'
] as const satisfies readonly Kind[];
export type Waits = (typeof MAY_WAIT)[number];

export const mayWait = (kind: Kind): kind is Waits => (MAY_WAIT as readonly Kind[]).includes(kind);

const text = (body: unknown, field: string): string => {
  const value = typeof body === 'object' && body !== null ? (body as Record<string, unknown>)[field] : null;
  return typeof value === 'string' ? value : '';
};

/**
 * What a command belongs with: the visit, the round, the head or the chain that it is written at, for a page that shows what waits as
 * if it were in the book. Commands of one such place are carried out in the order they were written.
 * @returns '' where it stands by itself
 */
export function placeOf(kind: Kind, body: unknown): string {
  switch (kind) {
    case 'visit.start':
      return visitPlace(text(body, 'id'));
    case 'visit.enter':
    case 'visit.close':
    case 'photo.attach':
      return visitPlace(text(body, 'visitId'));
    case 'round.answer':
      return roundPlace(text(body, 'list'), text(body, 'machineId'));
    case 'valve.measure':
    case 'valve.shim':
      return valvesPlace(text(body, 'headId'));
    case 'chain.measure':
      return chainPlace(text(body, 'machineId'));
    default:
      return '';
  }
}
export const visitPlace = (visitId: string): string => `visit ${visitId}`;
export const roundPlace = (list: string, machineId: string): string => `round ${list} ${machineId}`;
export const valvesPlace = (headId: string): string => `valves ${headId}`;
export const chainPlace = (machineId: string): string => `chain ${machineId}`;

/** The visit that a command begins; '' where it begins none. */
export const begunBy = (kind: Kind, body: unknown): string =>
  kind === 'visit.start' ? text(body, 'id') : '';
/** Whether one cannot be carried out without another: what is written in a visit, or measured in it, without its beginning. */
export function restsOn({ body }: { body: unknown }, before: { kind: Kind; body: unknown }): boolean {
  const visit = begunBy(before.kind, before.body);
  return visit !== '' && text(body, 'visitId') === visit;
}

/** What ends what was written at its place before: it is not carried out while something of that was refused. */
export const endsItsPlace = (kind: Kind): boolean => kind === 'visit.close';
