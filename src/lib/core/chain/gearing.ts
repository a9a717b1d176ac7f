import { lowerEnd } from '../quantity/band';
import { figureOf, type FigureKey, type Sheet } from '../specs/sheet';
import { slackIn, type Gears } from './run';
import { centreOfLinks, linksThatFit, type Fit } from './links';

/** Engine turns to one of the rear wheel, of the final drive alone. */
export const finalRatio = ({ front, rear }: Pick<Gears, 'front' | 'rear'>): number => rear / front;

/**
 * Speed in a gear, km/h.
 * @param rpm of the crankshaft
 * @param primary and gear, ratios
 * @param round once round the rear wheel on the ground, mm
 */
export const speedAt = (rpm: number, primary: number, gear: number, final: number, round: number): number =>
  ((rpm / (primary * gear * final)) * round * 60) / 1e6;

/** Reads a ratio as it is printed: `3.05`, `64/21`, `64:21`, `64/21 (3.048)`. Null: it is none. */
export function readRatio(typed: string): number | null {
  const m = /^\s*(\d+(?:[.,]\d+)?)\s*(?:[/:]\s*(\d+(?:[.,]\d+)?))?/.exec(typed);
  if (!m) return null;
  const of = (t: string) => Number(t.replace(',', '.'));
  const ratio = of(m[1]!) / (m[2] ? of(m[2]) : 1);
  return Number.isFinite(ratio) && ratio > 0.1 && ratio < 50 ? ratio : null;
}
/** Reads the ratios of a gearbox, first gear first: `2.14, 1.75` or `30/14 28/16`. Null where one of them is none. */
export function readRatios(typed: string): number[] | null {
  const parts = typed.split(/[;,]\s+|\s*;\s*|\s+/).filter(Boolean);
  const ratios = parts.map(readRatio);
  return ratios.length > 0 && ratios.length <= 8 && ratios.every((r) => r !== null)
    ? (ratios as number[])
    : null;
}
/** Reads an engine speed: `9500`, `9,500 a minute`. */
export function readRpm(typed: string): number | null {
  const m = /(\d[\d.,' ]*)/.exec(typed);
  const rpm = m ? Number(m[1]!.replace(/[.,' ]/g, '')) : NaN;
  return rpm >= 500 && rpm <= 25_000 ? rpm : null;
}

/** What other sprockets would do. */
export interface WhatIf {
  ratio: number;
  /** Against now, percent: more is shorter gearing. */
  change: number;
  /** With the chain that is on: where the axle would go, mm from where it stands, and whether that is in its slot. */
  same: { move: number; inSlot: boolean | null; slack: number | null } | null;
  /** New chains that fit the slot; null: where the axle stands in it is not known. */
  fits: Fit[] | null;
}

/**
 * What another pair of sprockets does to ratio, axle and links.
 * @param at where along the run slack is measured
 * @param centre from axis to axis now, mm
 * @param slot from axis to axis with the axle all forward and all back, mm; null: not known
 * @param want slack, mm
 */
export function whatIf(
  now: Gears,
  then: Pick<Gears, 'front' | 'rear'>,
  chain: { links: number; grown: number; halfLink: boolean },
  axle: { centre: number; slot: { from: number; to: number } | null },
  slack: { at: number; want: number }
): WhatIf {
  const gears = { ...now, ...then };
  const wanted = { at: slack.at, slack: slack.want };
  const centre = centreOfLinks(gears, chain.links, wanted, chain.grown);
  const { slot } = axle;
  const loop = chain.links * now.pitch * (1 + chain.grown / 100);
  const inSlot =
    centre === null || slot === null ? null : centre >= slot.from - 0.05 && centre <= slot.to + 0.05;
  return {
    ratio: finalRatio(gears),
    change: (finalRatio(gears) / finalRatio(now) - 1) * 100,
    same:
      centre === null
        ? null
        : {
            move: centre - axle.centre,
            inSlot,
            // What would be left of the slack at the end of the slot that is nearest.
            slack:
              slot === null
                ? null
                : inSlot
                  ? slack.want
                  : slackIn(loop, centre > slot.to ? slot.to : slot.from, gears, slack.at)
          },
    fits: slot && linksThatFit(gears, slot, wanted, 0, chain.halfLink)
  };
}

/** What speeds gear by gear go by; null: one of the figures is not on the sheet, or cannot be read. */
export interface Gearbox {
  primary: number;
  ratios: number[];
  /** Engine speed, a minute. */
  rpm: number;
  /** Once round the rear wheel, mm. */
  round: number;
}
export function gearboxOf(sheet: Sheet): Gearbox | null {
  const text = (key: FigureKey) => figureOf(sheet, key)?.text ?? '';
  const [primary, ratios, rpm] = [
    readRatio(text('primary ratio')),
    readRatios(text('gear ratios')),
    readRpm(text('engine speed'))
  ];
  const band = figureOf(sheet, 'rear wheel round')?.band;
  return primary && ratios && rpm && band ? { primary, ratios, rpm, round: lowerEnd(band).base } : null;
}

/** Teeth a sprocket of a machine has, from and to. */
export const TEETH_OF = { front: { from: 8, to: 22 }, rear: { from: 20, to: 90 } } as const;

/** Why no sprocket has so many teeth; null: one may. */
export function teethProblem(side: 'front' | 'rear', teeth: number): string | null {
  const { from, to } = TEETH_OF[side];
  return Number.isInteger(teeth) && teeth >= from && teeth <= to
    ? null
    : `The ${side} sprocket has ${from} to ${to} whole teeth.`;
}

type Pair = Pick<Gears, 'front' | 'rear'>;
/** The pairs one tries first: a tooth or two at the rear, one at the front; and one that was asked for. */
export function pairsAround(now: Pair, asked: Pair | null): Pair[] {
  const near: Pair[] = [
    now,
    ...[-2, -1, 1, 2].map((d) => ({ front: now.front, rear: now.rear + d })),
    ...[-1, 1].map((d) => ({ front: now.front + d, rear: now.rear }))
  ];
  const all = asked ? [...near, asked] : near;
  const able = all.filter(
    (p) => teethProblem('front', p.front) === null && teethProblem('rear', p.rear) === null
  );
  return able
    .filter((p, i) => able.findIndex((q) => q.front === p.front && q.rear === p.rear) === i)
    .sort((a, b) => finalRatio(a) - finalRatio(b));
}
