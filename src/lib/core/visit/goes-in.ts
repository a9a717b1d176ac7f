/** A rag in a hole, a wire through the cam chain: it is no part of the machine, goes in for the work, and has to come out again. */
const GOES_IN = /^(clean )?(rag|wire|cloth)\b/i;

/** Whether something that is counted out goes into the machine, by its name or its kind: told then as in, and taken out. */
export const goesIn = (...names: readonly string[]): boolean => names.some((n) => GOES_IN.test(n));

/** How a small thing stands that was not counted in again. */
export const thingStands = (t: { what: string; name: string }): 'in the engine' | 'out' =>
  goesIn(t.what, t.name) ? 'in the engine' : 'out';

/** How many small things are not where they belong: `2 small things out, 1 in the engine`; empty where all are. */
export function thingsInWords(things: readonly { what: string; name: string; in: boolean }[]): string {
  const left = things.filter((t) => !t.in);
  const inside = left.filter((t) => thingStands(t) !== 'out').length;
  const counted = (n: number, word: string, first: boolean) =>
    n === 0 ? [] : [first ? `${n} small ${n === 1 ? 'thing' : 'things'} ${word}` : `${n} ${word}`];
  const out = left.length - inside;
  return [...counted(out, 'out', true), ...counted(inside, 'in the engine', out === 0)].join(', ');
}
