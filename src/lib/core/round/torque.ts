import { facesOf, orderOf } from '../fasteners/pattern';
import { wrenchSettingNm } from '../fasteners/adapter';
import {
  calibrationWord,
  onScale,
  uncovered,
  wrenchesFor,
  type Adapter,
  type TorqueWrench
} from '../fasteners/wrench';
import { KINDS } from '../machine/machine';
import { lowerEnd, type Band } from '../quantity/band';
import { figureOf, type Fastener, type FastenerRole, type Sheet } from '../specs/sheet';
import type { Day } from '../time/day';
import type { Station, TorqueHeld } from './check';
import type { Stand } from './stand';

/** What is tight by a number and can be tried without opening anything; caps, guards and grease points are not. */
const MATTERS: ReadonlySet<FastenerRole> = new Set<FastenerRole>([
  'axle nut',
  'pivot',
  'clamp',
  'sprocket bolts',
  'brake',
  'drain plug',
  'screen cap',
  'filter cover',
  'cover',
  'other'
]);
/** What every machine has of these: none on the sheet is said, for nothing of it is checked then. */
export const ALWAYS: readonly FastenerRole[] = ['axle nut', 'pivot', 'clamp', 'brake'];

const BY_ROLE: Partial<Record<FastenerRole, Station>> = {
  'axle nut': 'At the rear',
  'sprocket bolts': 'At the rear',
  brake: 'At the front',
  clamp: 'In the saddle',
  pivot: 'Left side',
  'drain plug': 'Right side',
  'screen cap': 'Right side',
  'filter cover': 'Right side'
};
/** Where one stands for it: by its place on the map, else by its words, else by what it is. */
export function stationOf(f: Pick<Fastener, 'at' | 'name' | 'place' | 'role'>): Station {
  if (f.at) {
    if (f.at.y < 0.3) return 'At the front';
    if (f.at.y > 0.7) return 'At the rear';
    return f.at.x < 0.5 ? 'Left side' : 'Right side';
  }
  const words = `${f.name} ${f.place}`;
  if (/\bfront\b/i.test(words)) return 'At the front';
  if (/\brear\b/i.test(words)) return 'At the rear';
  if (/\bleft\b/i.test(words)) return 'Left side';
  if (/\bright\b/i.test(words)) return 'Right side';
  return BY_ROLE[f.role] ?? 'Under seat and tank';
}

/**
 * Every fastener that matters on a machine, as checks of a torque round, with the number each is tried at.
 *
 * @param looseBefore by fastener, how often it was found loose before
 */
export function torqueChecks(
  sheet: Sheet,
  looseBefore: Readonly<Record<string, number>>
): { checks: TorqueHeld[]; bands: Record<string, Band | null>; missing: FastenerRole[] } {
  const mattering = sheet.fasteners.filter((f) => MATTERS.has(f.role));
  const bands: Record<string, Band | null> = {};
  const checks = mattering.map((f): TorqueHeld => {
    const figure = figureOf(sheet, 'torque', f.id);
    bands[f.id] = figure?.band ?? null;
    return {
      key: f.id,
      title: f.quantity > 1 ? `${f.name}, ${f.quantity} of them` : f.name,
      station: stationOf(f),
      how: 'torque',
      line: [f.place, f.head, f.oiled ? 'threads oiled' : ''].filter(Boolean).join(' · '),
      minutes: 0.5 * f.quantity,
      kinds: KINDS,
      lists: ['torque'],
      wrong: f.name,
      severity: 'watch',
      fastener: f,
      words: figure?.text ?? null,
      looseBefore: looseBefore[f.id] ?? 0
    };
  });
  const has = new Set(sheet.fasteners.map((f) => f.role));
  return { checks, bands, missing: ALWAYS.filter((r) => !has.has(r)) };
}

/** With what a fastener is tried: which wrench, set to what; with an adapter, its setting square and straight out. */
export interface Tried {
  wrench: string | null;
  setting: string | null;
  /** Its calibration, where it is worth a word. */
  word: string | null;
  adapter: string | null;
  /** Why none of the box does; null: one does. */
  without: string | null;
  /** The bolts in the order in which they are tried, counted round from 1; empty: fewer than three. */
  order: number[];
}
/** @param box the team's wrenches and adapters */
export function triedWith(
  check: TorqueHeld,
  band: Band | null,
  box: { wrenches: readonly TorqueWrench[]; adapters: readonly Adapter[] },
  today: Day
): Tried {
  const n = check.fastener.quantity;
  const order = n >= 3 && n <= 24 ? orderOf(n, facesOf(check.title, n)).map((b) => b + 1) : [];
  const none = { wrench: null, setting: null, word: null, adapter: null, order };
  if (!band) return { ...none, without: null };
  const torque = lowerEnd(band);
  const w = wrenchesFor(torque.base, box.wrenches, today)[0];
  if (!w) return { ...none, without: uncovered(torque, box.wrenches) };
  const at = { wrench: w.name, setting: onScale(torque.base, w), word: calibrationWord(w, today), order };
  if (!check.fastener.adapter) return { ...at, adapter: null, without: null };
  const a = box.adapters[0];
  if (!a || w.lengthMm === null)
    return {
      ...at,
      adapter: null,
      without: a
        ? `How long ${w.name} is, nobody has measured: what to set it to with an adapter is not known.`
        : 'It takes an adapter, and none is in the box.'
    };
  const out = wrenchSettingNm(torque.base, { wrenchMm: w.lengthMm, adapterMm: a.lengthMm, angleDeg: 0 });
  return {
    ...at,
    adapter: `${a.name}: square ${at.setting}, straight out ${onScale(out, w)}`,
    without: null
  };
}

/** What a torque round came to: `4 fasteners tried, 1 not as it should be, 2 passed over.` Null: none was tried. */
export function triedInWords(stand: Pick<Stand, 'items' | 'wrong' | 'passedOver'>): string | null {
  const tried = stand.items.filter((i) => i.answer?.choice != null).length;
  if (tried === 0) return null;
  const [off, over] = [stand.wrong.length, stand.passedOver.length];
  const said = [
    `${tried} ${tried === 1 ? 'fastener' : 'fasteners'} tried`,
    off > 0 ? `${off} not as ${off === 1 ? 'it' : 'they'} should be` : 'all held',
    ...(over > 0 ? [`${over} passed over`] : [])
  ];
  return `${said.join(', ')}.`;
}
