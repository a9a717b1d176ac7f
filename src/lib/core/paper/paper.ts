/**
 * What stands on a sheet of paper, whatever prints it: readable in black and white, with room for a pencil. A code in the corner
 * opens the same thing on a phone.
 */
export interface Paper {
  /** What it is: “Job card”. */
  title: string;
  machine: { plate: string; name: string; maker: string } | null;
  /** Under the title, a line each. */
  under: string[];
  /** Path that its code opens; null: it has none. */
  opens: string | null;
  blocks: Block[];
}

export type Block =
  | { kind: 'heading'; text: string }
  | { kind: 'words'; text: string; strong?: boolean }
  /** `widths`: shares of the page; 0: as wide as what is in it. */
  | { kind: 'table'; head: string[]; widths: number[]; rows: Cell[][] };

export type Cell =
  | string
  /** A box to tick; ticked where it is done already. */
  | { box: true; done: boolean }
  /** A line to write on, with what it is in behind it. */
  | { blank: string }
  /** Several of them, one under another. */
  | { lines: Cell[] }
  | { strong: string };

export const box = (done = false): Cell => ({ box: true, done });
export const blank = (after = ''): Cell => ({ blank: after });
export const strong = (text: string): Cell => ({ strong: text });

/** What a paper says, without its shape: what tests read. */
export const wordsOf = (p: Paper): string =>
  [p.title, p.machine?.plate ?? '', p.machine?.name ?? '', ...p.under, ...p.blocks.flatMap(wordsOfBlock)]
    .filter(Boolean)
    .join('\n');

const wordsOfBlock = (b: Block): string[] =>
  b.kind === 'table'
    ? [
        b.head.filter(Boolean).join(' | '),
        ...b.rows.map((r) => r.map(wordsOfCell).filter(Boolean).join(' | '))
      ]
    : [b.text];
export function wordsOfCell(c: Cell): string {
  if (typeof c === 'string') return c;
  if ('box' in c) return c.done ? '[x]' : '[ ]';
  if ('blank' in c) return `____ ${c.blank}`.trim();
  if ('lines' in c) return c.lines.map(wordsOfCell).join('; ');
  return c.strong;
}
