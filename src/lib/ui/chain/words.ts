import {
  byHouseRule,
  showSlack,
  wantedShort,
  type How,
  type RuleUnit,
  type Wanted
} from '$lib/core/chain/slack-typed';
import type { ChainNow, ChainSheet, SetWear } from '$lib/core/chain/sheet';
import { tightPoint } from '$lib/core/chain/travel';

const HOW: Readonly<Record<How, string>> = {
  'in all': 'up and down, in all',
  'each way': 'told each way from the middle: doubled',
  'up only': 'told pushed up only, from where it hangs: turned into all of it',
  fingers: 'told in fingers: as the house measured one'
};
/** What is wanted, in both systems. */
export const wantedWords = (w: Wanted): { mm: string; inches: string; how: string } => ({
  mm: wantedShort(w),
  inches: wantedShort(w, 'in'),
  how: [HOW[w.how], byHouseRule(w)].filter(Boolean).join('; ')
});

/** Two fingers half-way along, hanging: what is told where no manual is at hand. */
const RULE_OF_THUMB = { fingers: 2, at: 0.5 };

/** What the travel does to the slack, in a sentence or two. */
export function travelWords(now: ChainNow, sheet: ChainSheet, unit: RuleUnit): string {
  const { tight, toLeave, geometry, slack } = now;
  if (!tight || slack === null) return '';
  const { least, finger } = sheet.rules;
  if (tight.angle === null)
    return `The pivot is on the sprocket’s centre: the slack is ${showSlack(slack, unit)} over the whole travel.`;
  const left =
    tight.short > 0
      ? `At its tightest the loop is ${Math.round(tight.short * 10) / 10} mm short: chain, bearings and arm carry the landing.`
      : `At its tightest ${showSlack(tight.slack, unit)} are left${tight.slack + 0.25 < least ? `: less than the ${showSlack(least, unit)} the house wants.` : '.'}`;
  const { gears, arm } = geometry;
  const thumb = tightPoint(arm!, gears!, {
    at: RULE_OF_THUMB.at,
    slack: RULE_OF_THUMB.fingers * finger,
    angle: arm!.droop
  });
  const rule =
    thumb.short > 0
      ? `Two fingers (${showSlack(2 * finger, unit)}) would be ${Math.round(thumb.short * 10) / 10} mm too short there`
      : `Two fingers (${showSlack(2 * finger, unit)}) would leave ${showSlack(thumb.slack, unit)} there`;
  return `${left} To leave ${showSlack(least, unit)}, ${showSlack(toLeave!, unit)} are wanted where it is measured. ${rule}.`;
}

const about = (h: number) => (h < 10 ? (Math.round(h * 2) / 2).toString() : Math.round(h).toString());
/** How the set wears, in one sentence. */
export function wearWords(w: SetWear): string {
  const { chain, limit } = w;
  if (!chain.latest) return 'Never measured over its pitches yet.';
  const pct = (n: number) => `${n.toFixed(2)} %`;
  const now = `${pct(chain.latest.grown)} longer than new, ${pct(limit.pct)} is the end${limit.by === 'house' ? ', by the house rule' : ''}`;
  if (chain.worn) return `Worn out: ${now}.`;
  if (!w.ahead)
    return `${now}. When that is nobody can say from ${chain.rate === null ? 'one measuring' : 'a chain that has not grown'}.`;
  const { early, late } = w.ahead;
  const which = w.ends === w.axle.reaches ? 'The adjusters likely end' : 'Likely worn out';
  return `${now}. ${which} in ${about(early)}${late === null ? ' h or more' : ` to ${about(late)} h`}.`;
}
