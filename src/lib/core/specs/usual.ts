import type { Kind } from '../machine/machine';
import type { Circuit, FastenerRole } from './sheet';

/** Something most machines of a kind have: its name and what it is. No figure, no seal, no size: those are in the manual. */
export interface UsualFastener {
  name: string;
  role: FastenerRole;
  circuit: Circuit | null;
}

const plugs = (circuit: Circuit, of: string): UsualFastener[] => [
  { name: `${of} drain plug`, role: 'drain plug', circuit },
  { name: `${of} filler cap`, role: 'filler cap', circuit }
];
const check = (circuit: Circuit, of: string): UsualFastener => ({
  name: `${of} check screw`,
  role: 'check screw',
  circuit
});
const ENGINE: UsualFastener[] = [
  ...plugs('engine', 'Engine'),
  { name: 'Oil screen cap', role: 'screen cap', circuit: 'engine' },
  { name: 'Oil filter cover', role: 'filter cover', circuit: 'engine' }
];
const GEARBOX: UsualFastener[] = [...plugs('gearbox', 'Gearbox'), check('gearbox', 'Gearbox')];
const GUARD: UsualFastener = { name: 'Skid plate', role: 'guard', circuit: null };
const BIKE: UsualFastener[] = [
  GUARD,
  { name: 'Front axle', role: 'axle nut', circuit: null },
  { name: 'Rear axle nut', role: 'axle nut', circuit: null },
  { name: 'Swingarm pivot', role: 'pivot', circuit: null },
  { name: 'Rear sprocket bolts', role: 'sprocket bolts', circuit: null }
];
const QUAD: UsualFastener[] = [
  GUARD,
  { name: 'Wheel nuts', role: 'axle nut', circuit: null },
  { name: 'Rear axle nut', role: 'axle nut', circuit: null },
  { name: 'Swingarm pivot', role: 'pivot', circuit: null }
];
const TWO = [...GEARBOX, ...BIKE];
const FOUR = [...ENGINE, ...BIKE];

const USUAL: Readonly<Record<Kind, readonly UsualFastener[]>> = {
  'four-stroke enduro': [...ENGINE, ...GEARBOX, ...BIKE],
  'two-stroke enduro': TWO,
  'four-stroke motocross': FOUR,
  'two-stroke motocross': TWO,
  'dual-sport': FOUR,
  'youth bike': FOUR,
  'sport quad': [...ENGINE, ...QUAD],
  'utility quad': [
    ...ENGINE,
    ...plugs('front differential', 'Front differential'),
    check('front differential', 'Front differential'),
    ...plugs('rear differential', 'Rear differential'),
    check('rear differential', 'Rear differential'),
    GUARD,
    { name: 'Wheel nuts', role: 'axle nut', circuit: null }
  ],
  electric: [...GEARBOX, ...BIKE]
};

/**
 * What a kind of machine usually has, in the order one meets it: offered on its sheet as rows to fill in, and on the sheet only
 * once somebody says that this machine has it.
 */
export function usualFasteners(kind: Kind): readonly UsualFastener[] {
  return USUAL[kind];
}

const ROLES: readonly [RegExp, FastenerRole][] = [
  [/\bdrain|\bsump (plug|bolt)/, 'drain plug'],
  [/\b(level|check) (screw|plug|bolt)/, 'check screw'],
  [/\bscreen|\bstrainer/, 'screen cap'],
  [/\bfilter/, 'filter cover'],
  [/\bfiller|\bfill (plug|cap)/, 'filler cap'],
  [/\bsprocket/, 'sprocket bolts'],
  [/\baxle|\bwheel nut/, 'axle nut'],
  [/\bpivot|\blinkage/, 'pivot'],
  [/\bclamp|\bpinch/, 'clamp'],
  [/\bbrake|\bcaliper|\bdisc/, 'brake'],
  [/\bgrease|\bnipple/, 'grease point'],
  [/\bskid|\bguard|\bbash/, 'guard'],
  [/\bpanel|\bseat\b|\bshroud|\bfairing|\btank\b/, 'bodywork'],
  [/\bcover/, 'cover']
];
const CIRCUIT_WORDS: readonly [RegExp, Circuit][] = [
  [/\bfront (diff|final)/, 'front differential'],
  [/\b(rear )?(diff|final drive)/, 'rear differential'],
  [/\bgear ?box|\btransmission/, 'gearbox'],
  [/\bprimary/, 'primary'],
  [/\bengine|\bcrankcase|\bsump|\boil (filter|screen)/, 'engine']
];
/** What an oil runs through. */
export const OF_OIL: readonly FastenerRole[] = [
  'drain plug',
  'check screw',
  'screen cap',
  'filter cover',
  'filler cap'
];

/**
 * What a fastener is and whose oil it keeps in, by what it is called; corrected by hand where it is wrong. Only what an oil
 * runs through has a circuit: where the name does not say, the one the machine has, if it has just one.
 */
export function kindOfFastener(name: string, circuits: readonly Circuit[]): Omit<UsualFastener, 'name'> {
  const words = name.toLowerCase();
  const role = ROLES.find(([w]) => w.test(words))?.[1] ?? 'other';
  const said = CIRCUIT_WORDS.find(([w]) => w.test(words))?.[1] ?? null;
  if (!OF_OIL.includes(role)) return { role, circuit: null };
  return { role, circuit: said ?? (circuits.length === 1 ? circuits[0]! : null) };
}

/** The oil circuits a kind of machine usually has. */
export function circuitsOf(kind: Kind): Circuit[] {
  return [...new Set(USUAL[kind].flatMap((f) => (f.circuit ? [f.circuit] : [])))];
}
