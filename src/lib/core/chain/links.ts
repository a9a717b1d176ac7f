import { centreFor, leastCentre, loopLength, type Gears, type Slack } from './run';

/** A chain that fits: how many links, and where the axle stands with it. */
export interface Fit {
  links: number;
  /** From axis to axis, mm. */
  centre: number;
}

/**
 * Every even number of links with which the axle stands within its slot at a wanted slack. A chain has an even number unless it
 * has a half link.
 * @param slot from axis to axis with the axle all forward and all back, mm
 * @param grown by how much the chain has grown, percent
 */
export function linksThatFit(
  gears: Gears,
  slot: { from: number; to: number },
  want: Slack,
  grown = 0,
  halfLink = false
): Fit[] {
  const pitch = gears.pitch * (1 + grown / 100);
  const least = Math.max(slot.from, leastCentre(gears));
  const fits: Fit[] = [];
  if (slot.to < least) return fits;
  const step = halfLink ? 1 : 2;
  const first = Math.ceil(loopLength(least, gears, want) / pitch / step - 1e-9) * step;
  for (let links = first; ; links += step) {
    const centre = centreFor(links * pitch, gears, want, (least + slot.to) / 2);
    if (centre === null || centre > slot.to + 1e-9) return fits;
    if (centre >= least - 1e-9) fits.push({ links, centre });
  }
}

/**
 * From axis to axis with a chain of so many links at a slack, mm: nobody has to measure it.
 * @returns null where the chain is too short for the sprockets
 */
export function centreOfLinks(gears: Gears, links: number, slack: Slack, grown = 0): number | null {
  const loop = links * gears.pitch * (1 + grown / 100);
  return centreFor(loop, gears, slack, loop / 2 - leastCentre(gears) / 2);
}
