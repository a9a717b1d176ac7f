/** A final drive by chain, as far as no sheet prints it: how slack is measured on this machine, how its axle is moved. */

/** How the machine stands while slack is measured. */
export const ATTITUDES = ['on the stand, wheel hanging', 'on its wheels', 'rider on'] as const;
export type Attitude = (typeof ATTITUDES)[number];

/** What moves the axle: screws each side, a carrier that turns, or a cam with notches. */
export const ADJUSTERS = ['screws', 'eccentric carrier', 'snail cams'] as const;
export type AdjusterKind = (typeof ADJUSTERS)[number];

export interface Adjuster {
  kind: AdjusterKind;
  /** Which way its screw is turned for the axle to go back. */
  back: 'out' | 'in';
  /** How far the axle goes from mark to mark, or notch to notch: mm; of a carrier degrees. Null: nobody measured it. */
  perMark: number | null;
  /** The mark with the axle all back; null: not known. Counted from all forward, where it is nought. */
  lastMark: number | null;
  /** Of a carrier: its middle to the axle, mm. */
  offset: number | null;
  /** Of a carrier: its angle at mark nought, 0° straight back, up is more than nothing. */
  zero: number | null;
}

export interface Drive {
  /** Where along the run slack is measured, 0 at the front sprocket to 1 at the rear. */
  at: number;
  attitude: Attitude;
  /** Angle of the arm in that attitude, degrees, down less than nothing; null: hanging as the sheet says, or not known. */
  angle: number | null;
  adjuster: Adjuster;
  chainSide: 'left' | 'right';
  /** What is on it now, where that is not what the sheet prints; null: as the sheet has it. */
  front: number | null;
  rear: number | null;
  links: number | null;
  halfLink: boolean;
}

/** A drive of which nobody has said anything. */
export const USUAL_DRIVE: Drive = {
  at: 0.5,
  attitude: 'on the stand, wheel hanging',
  angle: null,
  adjuster: { kind: 'screws', back: 'out', perMark: null, lastMark: null, offset: null, zero: null },
  chainSide: 'left',
  front: null,
  rear: null,
  links: null,
  halfLink: false
};

/** Where along the run it is measured, in words. */
export function placeWords(at: number): string {
  const pct = Math.round(at * 100);
  if (pct === 50) return 'half-way along the run';
  return pct < 50
    ? `${pct} % of the run behind the front sprocket`
    : `${100 - pct} % of the run ahead of the rear sprocket`;
}
