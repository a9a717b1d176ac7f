import { showBand } from '../../quantity/band';
import { figureOf, type Sheet } from '../../specs/sheet';

/** What a step is about that the sheet names, though no role of the job's does: by the words a sheet calls it. */
const CALLED = {
  camcaps: /\bcam(?:shaft)?[ -]?(?:caps?|holders?|bearings?)\b/i,
  valvecover: /\b(?:valve|cam|rocker|cylinder head) cover\b/i,
  sparkplug: /\bspark ?plug\b/i,
  // What a sprocket is bolted to is called a carrier too.
  carrier: /\beccentric\b|(?<!\bsprocket )\bcarrier\b/i
} as const;
export type Called = keyof typeof CALLED;

/** Its lines of the sheet: `Cam cap bolts, 8: 10 N·m; criss-cross from the middle`. Nothing where the sheet has none. */
export function namedOnSheet(sheet: Sheet, what: Called): string[] {
  return sheet.fasteners
    .filter((f) => CALLED[what].test(f.name))
    .map((f) => {
      const torque = figureOf(sheet, 'torque', f.id);
      const said = torque?.band ? showBand(torque.band) : torque?.text;
      const many = f.quantity > 1 ? `, ${f.quantity}` : '';
      return [`${f.name}${many}: ${said ?? 'torque not on the sheet'}`, f.pattern, f.note]
        .filter(Boolean)
        .join('; ');
    });
}
