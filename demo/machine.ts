import type { Kind } from '../src/lib/core/machine/machine';
import type { Circuit, Confidence, FastenerRole, FigureKey, Seal } from '../src/lib/core/specs/sheet';
import type { UnitName } from '../src/lib/core/quantity/units';
import type { PersonSlug } from './people';

/**
 * The demo fleet. Makers, models and every figure are invented; they lie in ranges such machines have, and no more.
 */
export interface DemoTask {
  name: string;
  /** Key of the job it is done by. */
  job?: string;
  hours?: [interval: number, limit?: number];
  days?: [interval: number, limit?: number];
  first?: [interval: number, limit: number];
  /** Hours ago (for hours) it was last done; null: nobody knows. */
  since: number | null;
  /** Days ago it was last done, for tasks that only count days, outings, races, distance or times. */
  sinceDays?: number;
  /** Kilometres, outings, races; every so many times of another task of this machine. */
  distance?: number;
  outings?: number;
  races?: number;
  times?: [every: number, of: string];
  answers?: string[];
  ageing?: 'by the riding';
  sensitivity?: Record<string, number>;
  perPart?: boolean;
}

export interface DemoFastener {
  slug: string;
  circuit: Circuit | null;
  role: FastenerRole;
  name: string;
  place: string;
  quantity?: number;
  magnet?: boolean;
  seal?: Seal;
  note?: string;
  head?: string;
  thread?: string;
  /** Left to right, front to rear, as parts of the machine. */
  at?: [x: number, y: number];
  lean?: string;
  lengths?: string;
  comesWith?: string;
  adapter?: boolean;
  /** What lies behind it, by slug. */
  hides?: string[];
  torque?: [value: number, unit: UnitName, confidence?: Confidence];
}

export interface DemoMachine {
  slug: string;
  plate: string;
  name: string;
  maker: string;
  kind: Kind;
  rider: PersonSlug | null;
  /** Running hours today, and how many it does in a usual week. */
  hoursNow: number;
  perWeek: number;
  /** Days since the meter was last read. */
  readDaysAgo: number;
  races: boolean;
  /** `replaced`: a new hour meter in the season; `gap`: the meter was dead for some weeks; `none`: it never had one. */
  meter?: 'replaced' | 'gap' | 'none';
  fasteners: DemoFastener[];
  figures: [
    key: FigureKey,
    value: number | string | [number, number],
    unit?: UnitName,
    confidence?: Confidence
  ][];
  tasks: DemoTask[];
  /** Kilometres an hour it usually does; left out: nobody notes its distance. */
  speed?: number;
  /** An odometer fitted when the book began, at so many kilometres. */
  odometer?: number;
  /** Figures of an earlier edition that the present ones superseded. */
  superseded?: [key: FigureKey, value: number, unit: UnitName][];
  /** Debris on the magnet at the latest engine-oil changes, the oldest first; paste otherwise. */
  debris?: string[];
}

export const guard = (torque: [number, UnitName]): DemoFastener => ({
  slug: 'guard',
  circuit: null,
  role: 'guard',
  name: 'Skid plate',
  place: 'Underneath',
  lengths: 'the two long ones to the rear',
  quantity: 4,
  head: '8 mm hex, short socket',
  thread: 'M6x1.0',
  torque
});
export const filler = (place: string): DemoFastener => ({
  slug: 'filler',
  circuit: 'engine',
  role: 'filler cap',
  name: 'Oil filler cap',
  place,
  seal: 'O-ring',
  at: place.toLowerCase().startsWith('left') ? [0.14, 0.5] : [0.86, 0.5]
});
export const drain = (
  place: string,
  torque: [number, UnitName, Confidence?],
  more: Partial<DemoFastener> = {}
): DemoFastener => ({
  slug: 'drain',
  circuit: 'engine',
  role: 'drain plug',
  name: 'Engine drain plug',
  place,
  magnet: true,
  seal: 'crush washer',
  head: '17 mm hex',
  thread: 'M12x1.5',
  at: [0.38, 0.56],
  torque,
  ...more
});
export const screen = (place: string, torque: [number, UnitName, Confidence?]): DemoFastener => ({
  slug: 'screen',
  circuit: 'engine',
  role: 'screen cap',
  name: 'Engine screen cap',
  place,
  seal: 'O-ring',
  head: '14 mm hex',
  at: place.toLowerCase().startsWith('right') || place.includes('right') ? [0.74, 0.48] : [0.2, 0.5],
  torque
});
export const filter = (place: string, quantity: number, torque: [number, UnitName]): DemoFastener => ({
  slug: 'filter',
  circuit: 'engine',
  role: 'filter cover',
  name: 'Oil filter cover',
  place,
  quantity,
  seal: 'O-ring',
  head: '8 mm hex',
  thread: 'M6x1.0',
  at: place.toLowerCase().startsWith('left') ? [0.16, 0.42] : [0.84, 0.42],
  torque
});
export const gearboxDrain = (place: string, torque: [number, UnitName]): DemoFastener => ({
  slug: 'gearbox-drain',
  circuit: 'gearbox',
  role: 'drain plug',
  name: 'Gearbox drain plug',
  place,
  magnet: true,
  seal: 'crush washer',
  head: '17 mm hex',
  thread: 'M12x1.5',
  at: [0.58, 0.58],
  torque
});
/** What else a gearbox of its own has: where it is filled, and the screw its level is read at. */
export const gearboxFill: DemoFastener[] = [
  {
    slug: 'gearbox-filler',
    circuit: 'gearbox',
    role: 'filler cap',
    name: 'Gearbox filler cap',
    place: 'Right side cover, low',
    seal: 'O-ring',
    at: [0.9, 0.58]
  },
  {
    slug: 'gearbox-check',
    circuit: 'gearbox',
    role: 'check screw',
    name: 'Gearbox check screw',
    place: 'Right side cover, below the filler',
    seal: 'crush washer',
    head: '8 mm hex',
    thread: 'M6x1.0',
    note: 'Behind the brake pedal: long reach, start by hand.',
    at: [0.82, 0.64],
    torque: [8, 'N·m']
  }
];
export const gearboxLevel: DemoMachine['figures'] = [
  ['gearbox level method', 'check screw'],
  ['gearbox level attitude', 'upright on level ground, filler open']
];

export const glass = (run: number, settle: number): DemoMachine['figures'] => [
  ['oil level method', 'sight glass'],
  ['oil level run time', run, 'min'],
  ['oil level settle time', settle, 'min'],
  ['oil level attitude', 'held upright on level ground']
];
/** What most four-stroke race bikes' books print beside the oil. */
export const bikeFigures = (
  inlet: [number, number],
  exhaust: [number, number],
  slack: [number, number]
): DemoMachine['figures'] => [
  ['engine oil by temperature', '10W-40: -15 to 25\n10W-50: 0 to 40\n15W-50: above 10'],
  ['inlet valve clearance', inlet, 'mm'],
  ['exhaust valve clearance', exhaust, 'mm'],
  ['valve layout', 'four valves, shim under the bucket'],
  ['chain slack', slack, 'mm'],
  ['chain slack place', 'behind the slider, on the stand, wheel off the ground'],
  ['chain links', 114, 'links'],
  ['front sprocket', 13, 'teeth'],
  ['rear sprocket', 50, 'teeth'],
  ['front tyre pressure', [80, 100], 'kPa'],
  ['rear tyre pressure', [75, 95], 'kPa'],
  ['plug gap', [0.7, 0.8], 'mm', 'told'],
  ['coolant', 1.1, 'L']
];
export const usual = {
  air: 'Air filter',
  valves: 'Valve clearances',
  chain: 'Chain slack and lube',
  plug: 'Spark plug'
};

/** What holds a quad together besides its engine, each tried by its number. */
export const quadChassis = (wheel: number): DemoFastener[] => {
  const one = (
    slug: string,
    role: DemoFastener['role'],
    name: string,
    at: [number, number],
    quantity: number,
    head: string,
    torque: number
  ): DemoFastener => ({
    slug,
    circuit: null,
    role,
    name,
    place: '',
    at,
    quantity,
    head,
    torque: [torque, 'N·m']
  });
  return [
    one('front-left-nuts', 'axle nut', 'Front left wheel nuts', [0.06, 0.16], 4, '17 mm hex', wheel),
    one('front-right-nuts', 'axle nut', 'Front right wheel nuts', [0.94, 0.16], 4, '17 mm hex', wheel),
    one('bar-clamp', 'clamp', 'Handlebar clamp bolts', [0.5, 0.24], 4, '6 mm hex', 21),
    one('front-calipers', 'brake', 'Front caliper bolts', [0.12, 0.2], 4, '12 mm hex', 31),
    one('swingarm-pivot', 'pivot', 'Swingarm pivot', [0.3, 0.62], 1, '22 mm hex', 82),
    one('carrier-bolts', 'axle nut', 'Axle carrier pinch bolts', [0.5, 0.8], 4, '14 mm hex', 54),
    one('sprocket-bolts', 'sprocket bolts', 'Rear sprocket bolts', [0.6, 0.84], 4, '13 mm hex', 33)
  ];
};
