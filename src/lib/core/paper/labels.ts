/** A sheet of labels as it is bought. Lengths in millimetres. */
export interface LabelSheet {
  key: string;
  words: string;
  page: 'A4' | 'LETTER';
  across: number;
  down: number;
  width: number;
  height: number;
  /** Edge of the page to the first label. */
  left: number;
  top: number;
  /** From the start of one label to the start of the next. */
  stepX: number;
  stepY: number;
}

const INCH = 25.4;
const PAGES = { A4: { width: 210, height: 297 }, LETTER: { width: 8.5 * INCH, height: 11 * INCH } } as const;

/** Labels side by side in the middle of a page. */
function centred(
  page: 'A4' | 'LETTER',
  across: number,
  down: number,
  width: number,
  height: number,
  gapX = 0
): Omit<LabelSheet, 'key' | 'words'> {
  const { width: w, height: h } = PAGES[page];
  const stepX = width + gapX;
  return {
    page,
    across,
    down,
    width,
    height,
    left: (w - (stepX * (across - 1) + width)) / 2,
    top: (h - height * down) / 2,
    stepX,
    stepY: height
  };
}

/** Sizes that labels come in everywhere. */
export const LABEL_SHEETS: readonly LabelSheet[] = [
  { key: 'a4-24', words: 'A4, 24 of 70 × 37 mm', ...centred('A4', 3, 8, 70, 37) },
  { key: 'a4-14', words: 'A4, 14 of 99.1 × 38.1 mm', ...centred('A4', 2, 7, 99.1, 38.1, 2.5) },
  { key: 'a4-40', words: 'A4, 40 of 52.5 × 29.7 mm', ...centred('A4', 4, 10, 52.5, 29.7) },
  {
    key: 'letter-30',
    words: 'Letter, 30 of 2⅝ × 1 in',
    ...centred('LETTER', 3, 10, 2.625 * INCH, INCH, 0.125 * INCH)
  },
  {
    key: 'letter-10',
    words: 'Letter, 10 of 4 × 2 in',
    ...centred('LETTER', 2, 5, 4 * INCH, 2 * INCH, 0.156 * INCH)
  }
];

/**
 * Where the labels of a sheet lie, row by row.
 * @param count how many are printed
 * @param skip how many of the first sheet are used already
 * @throws RangeError where that is none of a sheet's
 */
export function labelPlaces(
  sheet: LabelSheet,
  count: number,
  skip: number
): { page: number; x: number; y: number }[] {
  const each = sheet.across * sheet.down;
  if (!Number.isInteger(skip) || skip < 0 || skip >= each)
    throw new RangeError(`0 to ${each - 1} labels of a sheet are used: ${skip}`);
  return Array.from({ length: count }, (_, i) => {
    const n = i + skip;
    const at = n % each;
    return {
      page: Math.floor(n / each),
      x: sheet.left + (at % sheet.across) * sheet.stepX,
      y: sheet.top + Math.floor(at / sheet.across) * sheet.stepY
    };
  });
}

/** What a sticker is stuck on. */
export const STICKER_KINDS = ['machine', 'component', 'shelf'] as const;
export type StickerKind = (typeof STICKER_KINDS)[number];
/** A letter each, for a short code: the less there is in it, the better a camera reads it from a dirty plate. */
const LETTERS: Readonly<Record<StickerKind, string>> = { machine: 'm', component: 'c', shelf: 's' };

export interface Sticker {
  kind: StickerKind;
  /** Of the machine, component, or thing of the stores. */
  id: string;
  /** Large: a plate. */
  mark: string;
  words: string;
}
/** The path behind a sticker's code. */
export const stickerPath = (s: Pick<Sticker, 'kind' | 'id'>): string => `/s/${LETTERS[s.kind]}/${s.id}`;
/** Where what it is stuck on is looked up: at a machine, logging its hours. */
export function stickerPlace(kind: StickerKind, id: string): string {
  if (kind === 'machine') return `/machines/${id}?log`;
  return kind === 'component' ? `/parts/${id}` : `/stores#thing-${id}`;
}
/** What a letter of a sticker’s path stands for; null: for nothing. */
export const stickerKind = (letter: string): StickerKind | null =>
  STICKER_KINDS.find((k) => LETTERS[k] === letter) ?? null;
