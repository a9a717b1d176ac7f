import type { Likely } from '../trail/lane';
import { setWear, type ChainSheet } from './sheet';

const about = (hours: number) =>
  hours < 10 ? (Math.round(hours * 2) / 2).toString() : Math.round(hours).toString();

/** Where on the trail chain and sprockets likely end; empty where nobody can say, or they are at their end already. */
export function likelyOfChain(sheet: ChainSheet): Likely[] {
  const { ahead, replace } = setWear(sheet);
  if (!ahead || replace) return [];
  const { early, late } = ahead;
  const name = sheet.rules.set ? 'chain and sprockets likely done' : 'chain likely done';
  return [
    {
      name,
      from: Math.round(early * 100),
      to: late === null ? null : Math.round(late * 100),
      words: `${name.charAt(0).toUpperCase()}${name.slice(1)} ${late === null ? `in ${about(early)} h or more` : `between ${about(early)} and ${about(late)} h ahead`}`,
      href: `/machines/${sheet.machineId}/chain#wear`
    }
  ];
}
