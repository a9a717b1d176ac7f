import { figureOf, type Circuit, type Fastener, type Sheet } from '../../specs/sheet';
import type { OpenedItem } from '../plan';
import type { LayoutInput } from './context';
import { lower, numberOf } from './words';

export const itemKey = (f: Fastener) => `${f.role.replace(/ /g, '-')}-${f.id}`;
export const partKey = (f: Fastener) => `${f.role.replace(/ /g, '-')}-part-${f.id}`;

export const looseKey = (f: Fastener) => `${f.role.replace(/ /g, '-')}-loose-${f.id}`;

/** A fastener as something to be opened in this visit, with what the sheet and earlier visits know of it. */
export function itemOf(f: Fastener, input: LayoutInput): OpenedItem {
  // A seat or a panel is latched or clipped, unless the sheet has a torque for its bolts.
  const cap = f.role === 'filler cap' || (f.role === 'bodywork' && torqueOf(f, input.sheet) === null);
  return {
    key: itemKey(f),
    fastenerId: f.id.startsWith('unnamed') ? null : f.id,
    kind: cap ? 'cap' : 'fastener',
    role: f.role,
    circuit: f.circuit,
    name: f.name,
    place: f.place,
    quantity: f.quantity,
    torque: cap ? null : numberOf('Torque', torqueOf(f, input.sheet)),
    head: f.head,
    thread: f.thread,
    oiled: f.oiled,
    adapter: f.adapter,
    seal: f.seal,
    filter: null,
    sealUses: input.sealUses[f.id] ?? null,
    sealMost: sealMost(f, input),
    note: f.note,
    found: input.found[f.id] ?? []
  };
}

export function torqueOf(f: Fastener, sheet: Sheet) {
  return figureOf(sheet, 'torque', f.id);
}

/** How often the house lets a seal be used. */
function sealMost(f: Fastener, { rules }: LayoutInput): number | null {
  switch (f.seal) {
    case 'crush washer':
      return rules.washers === 'new every time' ? 1 : rules.washerUses;
    case 'O-ring':
      return rules.rings === 'new every time' ? 1 : rules.ringsEvery;
    case 'gasket':
      return 1;
    case 'none':
      return null;
  }
}

/** What comes out with a fastener, as its sheet has it: counted out with it and in again. Null where nothing does. */
export function looseOf(f: Fastener): OpenedItem | null {
  if (f.comesWith === '') return null;
  const what = f.comesWith.charAt(0).toUpperCase() + f.comesWith.slice(1);
  return { ...partOf(f, `${what}, with {name}`, f.circuit), key: looseKey(f) };
}

const slug = (name: string) => name.toLowerCase().replace(/[^a-z0-9]+/g, '-');
export const thingKey = (name: string) => `thing-${slug(name)}`;

/** Things of a step by their names, each of those that are one a valve. */
export function thingsOf(things: readonly string[], input: LayoutInput): string[] {
  return things.flatMap((t) => {
    if (!t.includes('{valve}')) return [t];
    const valves = input.head?.valves.filter((v) => v.shimmed) ?? [];
    return valves.length > 0
      ? valves.map((v) =>
          (v.bucket ? t : t.replace('Bucket and shim', 'Shim')).replace('{valve}', lower(v.name))
        )
      : [t.replace(/,? ?\{valve\}/, ', of each valve')];
  });
}

/** What sits on the valves whose shims can be changed, as the head was laid out: rockers have no buckets. */
export function seatsOf({ head }: LayoutInput): string {
  const shimmed = head?.valves.filter((v) => v.shimmed) ?? [];
  const buckets = shimmed.filter((v) => v.bucket).length;
  if (buckets === shimmed.length) return 'Buckets and shims';
  return buckets === 0 ? 'Rockers aside, shims' : 'Buckets, rockers and shims';
}

/** Something counted out that the sheet does not name. */
export function thingOf(name: string): OpenedItem {
  return {
    key: thingKey(name),
    fastenerId: null,
    kind: 'part',
    role: null,
    circuit: null,
    name,
    place: '',
    quantity: 1,
    torque: null,
    head: '',
    thread: '',
    oiled: false,
    adapter: false,
    seal: 'none',
    filter: null,
    sealUses: null,
    sealMost: null,
    note: '',
    found: []
  };
}

/** A filter behind its cover: which one goes in is said when it does. */
export const filterOf = (f: Fastener, { rules }: LayoutInput): OpenedItem['filter'] =>
  f.role !== 'filter cover' ? null : rules.filter === 'washable' ? 'washed' : 'new';

/** A loose part behind a fastener: a screen, a filter. */
export function partOf(f: Fastener, name: string, circuit: Circuit | null): OpenedItem {
  return {
    ...thingOf(name.replace('{name}', lower(f.name))),
    key: partKey(f),
    fastenerId: f.id.startsWith('unnamed') ? null : f.id,
    role: f.role,
    circuit,
    place: f.place
  };
}
