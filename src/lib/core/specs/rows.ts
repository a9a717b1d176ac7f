import { CIRCUITS, FASTENER_ROLES, SEALS, type Circuit, type FastenerRole, type Seal } from './sheet';
import { kindOfFastener } from './usual';

/** A fastener of a pasted list, as far as it says. The torque stays as printed until it is put on the sheet. */
export interface FastenerRow {
  name: string;
  role: FastenerRole;
  circuit: Circuit | null;
  torque: string;
  head: string;
  seal: Seal;
  thread: string;
  quantity: string;
  place: string;
  /** Which bolt is how long, and what comes out with it; in what order like bolts are tightened; whatever else. */
  lengths: string;
  comesWith: string;
  pattern: string;
  note: string;
}

type Column = keyof FastenerRow;
/** The order of columns where the list has no heading. */
const USUAL_ORDER: readonly Column[] = ['name', 'torque', 'head', 'seal', 'thread', 'quantity', 'place'];
const HEADINGS: readonly [RegExp, Column][] = [
  [/^(name|fastener|part|bolt|item)s?$/, 'name'],
  [/^(torque|tightening( torque)?)$/, 'torque'],
  [/^(size|head|socket|tool)$/, 'head'],
  [/^(seal|washer|ring)$/, 'seal'],
  [/^thread$/, 'thread'],
  [/^(count|qty|quantity|number|pcs)$/, 'quantity'],
  [/^(place|where|location|position)$/, 'place'],
  [/^(what it is|role|kind)$/, 'role'],
  [/^circuit$/, 'circuit'],
  [/^(bolt )?lengths?( by position)?$/, 'lengths'],
  [/^(comes (out )?with( it)?|loose parts?)$/, 'comesWith'],
  [/^((tightening )?order|order of tightening|pattern)$/, 'pattern'],
  [/^(note|remark)s?$/, 'note']
];
/** More rows than any machine has bolts on its sheet: it is another list. */
export const MOST_ROWS = 200;

/**
 * Rows of a table copied from anywhere: one fastener a line, cells apart by tabs, semicolons or bars. With a first line of headings
 * the columns may stand in any order, and more of them; without one they are name, torque, size, seal, thread, count and place.
 * Of a list that is longer than {@link MOST_ROWS} one more than that is read, so that it is seen to be too long.
 * @param circuits what oils the machine has, for those that do not say
 */
export function readFastenerRows(text: string, circuits: readonly Circuit[]): FastenerRow[] {
  const lines = text.split(/\r?\n/).filter((l) => l.trim() !== '');
  const cells = lines.slice(0, MOST_ROWS + 2).map((l) => split(l).map((c) => c.trim()));
  const head = cells[0]?.map((c) => HEADINGS.find(([w]) => w.test(c.toLowerCase()))?.[1]);
  const headed = head?.includes('name') ?? false;
  const columns = headed ? head! : USUAL_ORDER;
  return cells.slice(headed ? 1 : 0).flatMap((row) => {
    const of = (c: Column) => row[columns.indexOf(c)] ?? '';
    const name = of('name');
    if (!name) return [];
    const guessed = kindOfFastener(name, circuits);
    return [
      {
        name,
        role: oneOf(FASTENER_ROLES, of('role')) ?? guessed.role,
        circuit: oneOf(CIRCUITS, of('circuit')) ?? guessed.circuit,
        torque: of('torque'),
        head: of('head'),
        seal: sealOf(of('seal')),
        thread: of('thread'),
        quantity: /^\d+/.exec(of('quantity').replace(/^[x×]\s*/, ''))?.[0] ?? '1',
        place: of('place'),
        lengths: of('lengths'),
        comesWith: of('comesWith'),
        pattern: of('pattern'),
        note: of('note')
      }
    ];
  });
}

function split(line: string): string[] {
  for (const mark of ['\t', '|', ';'])
    if (line.includes(mark)) return line.replace(/^\||\|$/g, '').split(mark);
  return [line];
}
const oneOf = <T extends string>(list: readonly T[], words: string): T | undefined =>
  list.find((x) => x.toLowerCase() === words.toLowerCase());
function sealOf(words: string): Seal {
  const said = words.toLowerCase();
  if (/o-?ring/.test(said)) return 'O-ring';
  if (/gasket/.test(said)) return 'gasket';
  if (/washer|copper|crush|alumin/.test(said)) return 'crush washer';
  return oneOf(SEALS, said) ?? 'none';
}
