import { onScale, type Scale } from '../fasteners/wrench';
import { oddTorqueInWords, type OddTorque } from '../fasteners/torque';
import type { OddPour } from '../fluids/ledger';
import type { Seal } from '../specs/sheet';
import type { UnitName } from '../quantity/units';

/** Why an entry of a visit cannot be taken as it is. The words stand in {@link inWords}, and nowhere else. */
export type EntryProblem =
  | { kind: 'no such step' }
  | { kind: 'no such item' }
  | { kind: 'not counted out' }
  | { kind: 'may not be left out'; title: string }
  | { kind: 'not called for'; title: string }
  /** Things that have to be shut before, each with how it stands: “Filler cap is off”. */
  | { kind: 'open before it'; items: string[] }
  /** Steps that something is read or seen after, by their titles. */
  | { kind: 'not done before it'; titles: string[] }
  | { kind: 'each by itself' }
  | { kind: 'start without oil'; circuits: string[] }
  /** `wantedMl`: what goes in before it runs; null: not known. */
  | { kind: 'too little oil to start'; circuit: string; inMl: number; wantedMl: number | null }
  | { kind: 'less oil than is poured'; circuit: string; inMl: number; wantedMl: number }
  | { kind: 'start with things out'; names: string[] }
  | { kind: 'no answer' }
  | { kind: 'no number'; unit: UnitName }
  | { kind: 'no clearances' }
  | { kind: 'no slack' }
  | { kind: 'another dimension'; unit: UnitName; dimension: string; wanted: UnitName }
  | { kind: 'not pointed at' }
  | { kind: 'the wrong one'; name: string; circuit: string | null }
  | { kind: 'no amount' }
  | { kind: 'odd pour'; how: OddPour }
  | { kind: 'no grade' }
  | { kind: 'verdict without its reason' }
  | { kind: 'no oil picked' }
  | { kind: 'oil gone' }
  | { kind: 'no such point' }
  | { kind: 'oil stopped'; why: string[] }
  | { kind: 'no level' }
  /** Oil is poured through it, and it stands shut. */
  | { kind: 'cap is shut'; name: string }
  /** It is drained warm, and nobody said that it was warmed. */
  | { kind: 'not warmed'; title: string }
  /** Seconds since the engine was stopped, and those its level wants. */
  | { kind: 'gone cold'; waited: number; within: number }
  | { kind: 'still settling'; waited: number; wanted: number }
  | { kind: 'wants its torque'; name: string }
  | { kind: 'is not torqued'; name: string; instead: string }
  | { kind: 'new or old seal'; seal: Seal }
  | { kind: 'seal used up'; seal: Seal; uses: number | null; most: number | null }
  | { kind: 'no such bolt'; name: string; bolts: number }
  | { kind: 'like the wrong unit'; set: string; thread: string }
  | { kind: 'not the sheet’s'; odd: OddTorque }
  | {
      kind: 'outside the wrench';
      wrench: string;
      unit: Scale;
      from: number;
      to: number;
      newtonMetres: number;
    }
  | { kind: 'pulls left'; bolt: number; round: number }
  | { kind: 'not bolt by bolt'; bolts: number[] };

const WITH_A_REASON: ReadonlySet<EntryProblem['kind']> = new Set([
  'verdict without its reason',
  'oil stopped',
  'less oil than is poured',
  'cap is shut',
  'not warmed',
  'gone cold',
  'still settling',
  'seal used up',
  'like the wrong unit',
  'not the sheet’s',
  'outside the wrench',
  'not bolt by bolt'
]);
/** Whether it is taken all the same once somebody says why. */
export const asksWhy = (p: EntryProblem | null): boolean => p !== null && WITH_A_REASON.has(p.kind);

/** Seconds as a timer shows them: `0:04`. */
const minutes = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`;

/** A problem in the words of the person who has it. */
export function inWords(p: EntryProblem): string {
  switch (p.kind) {
    case 'no such step':
      return 'This visit has no such step.';
    case 'no such item':
      return 'Nothing of that name is opened in this visit.';
    case 'not counted out':
      return 'Nothing of that name was counted out.';
    case 'may not be left out':
      return `“${p.title}” cannot be left out.`;
    case 'not called for':
      return `“${p.title}” is not called for.`;
    case 'open before it':
      return `Not yet: ${p.items.join('; ')}.`;
    case 'not done before it':
      return `Not yet: first ${p.titles.map((t) => `“${t}”`).join(', then ')}.`;
    case 'each by itself':
      return 'Each of its fasteners is written down by itself.';
    case 'too little oil to start':
      return p.wantedMl === null
        ? `No oil is written down in the ${p.circuit}. Pour first.`
        : `${Math.round(p.inMl)} ml are in the ${p.circuit}; ${Math.round(p.wantedMl)} ml go in before it runs. Pour the rest first.`;
    case 'start without oil':
      return `Do not start it: ${p.circuits.map((c) => `no ${c} oil is in`).join('; ')}.`;
    case 'less oil than is poured':
      return `${Math.round(p.inMl)} ml are in the ${p.circuit}; ${Math.round(p.wantedMl)} ml go in before it runs. Pour the rest, or say why in the remark.`;
    case 'cap is shut':
      return `${p.name} stands shut: open it first, or say why in the remark.`;
    case 'not warmed':
      return `“${p.title}” is not done, and warm oil takes the dirt with it. Warm it, or say why in the remark.`;
    case 'gone cold':
      return `It was warmed up ${Math.round(p.waited)} minutes ago, and warm oil is drained within ${p.within}. Warm it again, or say why in the remark.`;
    case 'still settling':
      return `The oil has settled for ${minutes(p.waited)}, and its level wants ${minutes(p.wanted)}. Read it again then, or say why in the remark.`;
    case 'start with things out':
      return `Do not start it: ${p.names.join('; ')}.`;
    case 'no answer':
      return 'Yes or no?';
    case 'no clearances':
      return 'A pass needs its number, at every valve: measure them on the valve sheet.';
    case 'no slack':
      return 'A pass needs its number: how much slack is it?';
    case 'no number':
      return `A pass needs its number, in ${p.unit}.`;
    case 'another dimension':
      return `${p.unit} measures ${p.dimension}. Write it in ${p.wanted}.`;
    case 'not pointed at':
      return 'Two plugs look alike here: point at the one you are opening.';
    case 'the wrong one':
      return `That is ${p.name}: ${p.circuit} oil. This step opens another.`;
    case 'no amount':
      return 'Write the amount, such as 950 ml or 1.15 qt.';
    case 'odd pour':
      return p.how === 'more left than was in it'
        ? 'More is left in the jug than was in it.'
        : 'More was let out than went in.';
    case 'no grade':
      return 'Pick what was found, even if it was nothing.';
    case 'verdict without its reason':
      return 'Another verdict than the one worked out needs its reason: say why.';
    case 'no oil picked':
      return 'Pick the oil that goes in.';
    case 'oil gone':
      return 'That oil is not in the stores any more.';
    case 'no such point':
      return 'That point is not on the map of this visit. Open the page again.';
    case 'oil stopped':
      return `Stop. ${p.why.join(' ')} If it goes in all the same, say why.`;
    case 'no level':
      return 'A level is a reading: put in where it stands.';
    case 'wants its torque':
      return `${p.name} wants its torque.`;
    case 'is not torqued':
      return `${p.name} is not torqued; it is ${p.instead}.`;
    case 'new or old seal':
      return `New ${p.seal}, or the old one again?`;
    case 'seal used up':
      return p.most === 1
        ? `House rule: a new ${p.seal} every time. If the old one goes in again, say why.`
        : `This ${p.seal} has served ${p.uses} of ${p.most} uses. If it goes in again, say why.`;
    case 'no such bolt':
      return `${p.name} has ${p.bolts} bolts.`;
    case 'like the wrong unit':
      return `${p.set} would pull an ${p.thread} bolt past nine tenths of its proof stress: it looks like the wrong unit. If it is what you set, say why.`;
    case 'not the sheet’s':
      return `${oddTorqueInWords(p.odd)} If it is what you set, say why.`;
    case 'outside the wrench':
      return `${p.wrench} is trusted from ${onScale(p.from, p)} to ${onScale(p.to, p)}; ${onScale(p.newtonMetres, p)} lies outside. If there is no other, say why.`;
    case 'pulls left':
      return `Not all are pulled: bolt ${p.bolt} is next, round ${p.round}.`;
    case 'not bolt by bolt':
      return `${p.bolts.length} bolts on one face come down bolt by bolt: ${p.bolts.join(' ')}. If they did not, say why.`;
  }
}
