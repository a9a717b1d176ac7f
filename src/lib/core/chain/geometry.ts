import { lowerEnd } from '../quantity/band';
import { figureKind, figureOf, type FigureKey, type Sheet } from '../specs/sheet';
import type { Drive } from './drive';
import { centreOfLinks } from './links';
import { leastCentre, type Gears } from './run';
import { armFor, centreAt, type Arm } from './travel';

/** What is known of a drive: from the spec sheet, and what is fitted in place of what it prints. mm, degrees. */
export interface Known {
  pitch: number | null;
  front: number | null;
  rear: number | null;
  links: number | null;
  /** Percent. */
  grown: number;
  /** Of the arm's pivot from the front sprocket's centre: behind it, and above it. */
  pivotX: number | null;
  pivotY: number | null;
  arm: number | null;
  droop: number | null;
  bump: number | null;
  threadPitch: number | null;
  slot: number | null;
  across: number | null;
}

export function knownOf(sheet: Sheet, drive: Drive, grown = 0): Known {
  const of = (key: FigureKey): number | null => {
    const band = figureOf(sheet, key)?.band;
    return band ? lowerEnd(band).base : null;
  };
  const hanging = of('swingarm hanging');
  return {
    pitch: of('chain pitch'),
    front: drive.front ?? of('front sprocket'),
    rear: drive.rear ?? of('rear sprocket'),
    links: drive.links ?? of('chain links'),
    grown,
    pivotX: of('pivot ahead of sprocket'),
    pivotY: of('pivot above sprocket'),
    arm: of('swingarm length'),
    droop: hanging === null ? null : -hanging,
    bump: of('swingarm compressed'),
    threadPitch: of('adjuster pitch'),
    slot: of('axle slot'),
    across: of('adjusters across')
  };
}

const pivotOf = ({ pivotX, pivotY }: Known): Arm['pivot'] | null =>
  pivotX !== null && pivotY !== null ? { x: pivotX, y: pivotY } : null;
export const gearsOf = ({ pitch, front, rear }: Known): Gears | null =>
  pitch !== null && front !== null && rear !== null ? { pitch, front, rear } : null;

/** A drive with a slack in it, as far as it can be worked out. */
export interface Geometry {
  gears: Gears | null;
  /** From axis to axis as it is measured; null: not known. */
  centre: number | null;
  /** What that was taken from. */
  by: 'links' | 'arm' | null;
  /** The arm with its travel; null: one of its figures is missing. */
  arm: Arm | null;
  /** The arm's angle while slack is measured; null: not known. */
  angle: number | null;
}

/** The angle of the arm at which slack is measured: as said, else hanging. */
const angleOf = (k: Known, drive: Drive): number | null =>
  drive.angle ?? (drive.attitude === 'on the stand, wheel hanging' ? k.droop : null);

/**
 * How the drive stands with so much slack measured. The centre distance comes from the links, which anybody can count; the arm is
 * then as long as its axle stands. Without links it comes from the printed arm.
 * @param slack total at the drive's place, mm
 */
export function geometryOf(k: Known, drive: Drive, slack: number): Geometry {
  const gears = gearsOf(k);
  const angle = angleOf(k, drive);
  const pivot = pivotOf(k);
  const travel =
    pivot && k.droop !== null && k.bump !== null ? { pivot, droop: k.droop, bump: k.bump } : null;
  const counted =
    gears && k.links !== null ? centreOfLinks(gears, k.links, { at: drive.at, slack }, k.grown) : null;
  if (counted !== null) {
    const length = travel && angle !== null ? armFor(travel.pivot, counted, angle) : null;
    return {
      gears,
      centre: counted,
      by: 'links',
      arm: travel && length ? { ...travel, length } : null,
      angle
    };
  }
  const arm = travel && k.arm !== null ? { ...travel, length: k.arm } : null;
  const centre = gears && arm && angle !== null ? centreAt(arm, angle) : null;
  const holds = centre !== null && gears !== null && centre >= leastCentre(gears);
  return { gears, centre: holds ? centre : null, by: holds ? 'arm' : null, arm: holds ? arm : null, angle };
}

/** A figure that is not known, and what it would tell. */
export interface Missing {
  key: FigureKey;
  label: string;
  tells: string;
}

/** What is missing, what helps most first. */
export function missingOf(k: Known, drive: Drive): Missing[] {
  const turns = 'how many turns of the adjusters another slack takes';
  const travel = 'the slack over the whole travel, and the least there will ever be';
  const wants: [boolean, FigureKey, string][] = [
    [k.front === null, 'front sprocket', turns],
    [k.rear === null, 'rear sprocket', turns],
    [k.pitch === null, 'chain pitch', turns],
    [k.links === null && k.arm === null, 'chain links', turns],
    [drive.adjuster.kind === 'screws' && k.threadPitch === null, 'adjuster pitch', turns],
    [k.droop === null, 'swingarm hanging', travel],
    [k.bump === null, 'swingarm compressed', travel],
    [k.pivotX === null, 'pivot ahead of sprocket', travel],
    [k.pivotY === null, 'pivot above sprocket', travel],
    [
      k.slot === null && drive.adjuster.lastMark === null,
      'axle slot',
      'how much travel is left to adjust, and which sprockets fit'
    ],
    [k.across === null, 'adjusters across', 'how crooked the wheel stands']
  ];
  return wants.flatMap(([missing, key, tells]) =>
    missing ? [{ key, label: figureKind(key).label, tells }] : []
  );
}

/** What of the figures cannot be: each in words a mechanic can act on. */
export function impossibleOf(k: Known): string[] {
  const said: string[] = [];
  if (k.droop !== null && k.bump !== null && k.droop >= k.bump)
    said.push(
      `The arm hangs at ${k.droop}° and ends at ${k.bump}°: that is no travel. Are the two the wrong way round?`
    );
  for (const [name, teeth] of [
    ['front', k.front],
    ['rear', k.rear]
  ] as const)
    if (teeth !== null && !Number.isInteger(teeth))
      said.push(`A sprocket has whole teeth: ${teeth} at the ${name}?`);
  if (k.links !== null && !Number.isInteger(k.links)) said.push(`A chain has whole links: ${k.links}?`);
  const gears = gearsOf(k);
  const reach = k.arm === null ? null : k.arm + Math.hypot(k.pivotX ?? 0, k.pivotY ?? 0);
  if (gears && reach !== null && reach < leastCentre(gears))
    said.push(
      `A sprocket of ${gears.rear} teeth meets the front one: the arm reaches ${Math.round(reach)} mm and both take ${Math.round(leastCentre(gears))} mm.`
    );
  if (gears && k.links !== null && centreOfLinks(gears, k.links, { at: 0.5, slack: 0 }, k.grown) === null)
    said.push(`${k.links} links do not go round ${gears.front} and ${gears.rear} teeth.`);
  return said;
}
/** An odd number of links needs a half link. */
export const oddLinks = (k: Known, drive: Drive): string | null =>
  k.links !== null && k.links % 2 === 1 && !drive.halfLink
    ? `${k.links} links is an odd number: that takes a half link. Count once more, or say that it has one.`
    : null;
