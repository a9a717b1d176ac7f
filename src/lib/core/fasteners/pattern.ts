/** One pull of a sequence: which bolt, in which round, at what part of the final torque. */
export interface Pull {
  round: number;
  /** Counted round the cover from 0, as they sit. */
  bolt: number;
  /** 1 is the full torque. */
  part: number;
}

/**
 * The order in which like bolts on one cover are tightened: each next one as far as can be from those already done, so that
 * the face comes down even (handbook, section 7, "criss-cross").
 * @param bolts 1 to 24, counted round the cover
 * @returns every bolt once
 * @throws RangeError outside that
 */
export function crissCross(bolts: number): number[] {
  if (!(Number.isInteger(bolts) && bolts >= 1 && bolts <= 24))
    throw new RangeError(`no such set: ${bolts} bolts`);
  const order = [0];
  const apart = (a: number, b: number) => Math.min(Math.abs(a - b), bolts - Math.abs(a - b));
  while (order.length < bolts) {
    const last = order.at(-1)!;
    let best = -1;
    let bestScore = -1;
    for (let b = 0; b < bolts; b++) {
      if (order.includes(b)) continue;
      // Across from the last counts most; among equals the one in the widest gap.
      const score = apart(b, last) * 100 + Math.min(...order.map((o) => apart(b, o)));
      if (score > bestScore) {
        best = b;
        bestScore = score;
      }
    }
    order.push(best);
  }
  return order;
}

/** Nuts of wheels, which sit on as many faces as there are wheels. */
const OF_WHEELS =
  /\bwheel (?:nuts?|bolts?|studs?)\b|\b(?:nuts?|bolts?) of (?:the )?(?:\w+ )?wheels?\b|\blug nuts?\b/i;
/** A hub has three to six of them. */
const MOST_ON_A_HUB = 6;

/** On how many faces a set of like bolts sits: those of several wheels in one line of the sheet are no one cover. */
export function facesOf(name: string, bolts: number): number {
  if (!OF_WHEELS.test(name) || bolts <= MOST_ON_A_HUB) return 1;
  return (
    [2, 4].find((wheels) => bolts % wheels === 0 && bolts / wheels <= MOST_ON_A_HUB && bolts / wheels >= 3) ??
    1
  );
}

/** The order over all faces: criss-cross within each, one after the other. */
export function orderOf(bolts: number, faces: number): number[] {
  const each = bolts / faces;
  const one = crissCross(each);
  return Array.from({ length: faces }, (_, face) => one.map((b) => b + face * each)).flat();
}

/** Rounds for a set of like bolts: two bolts and a single one need no order; more come down in two rounds, half and full. */
export function pulls(bolts: number, faces = 1): Pull[] {
  if (bolts < 3) return [];
  const order = orderOf(bolts, faces);
  return [0.5, 1].flatMap((part, round) => order.map((bolt) => ({ round, bolt, part })));
}
