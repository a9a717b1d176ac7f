/** What a file of text turned out to be. */
export type Decoded = { ok: true; text: string; as: Encoding } | { ok: false; message: string };
export const ENCODINGS = ['UTF-8', 'UTF-16', 'Latin-1'] as const;
export type Encoding = (typeof ENCODINGS)[number];

/** Ten years of a large fleet are a fifth of that; its cells, sent to be looked through, are about half as long again. */
export const MOST_BYTES = 10_000_000;
export const MOST_ROWS = 50_000;
export const TOO_LARGE = 'That file is over 10 MB. Save only the sheet that is meant, as CSV.';

const decode = (bytes: Uint8Array, label: string, fatal = false): string =>
  new TextDecoder(label, { fatal }).decode(bytes);

/**
 * The text of a file that somebody picked: UTF-8, with its mark or without; UTF-16 by its mark, as some spreadsheets save;
 * else Latin-1 as Windows writes it (code page 1252). What is no text is told apart by its noughts.
 * @param bytes the whole file
 */
export function decodeText(bytes: Uint8Array): Decoded {
  if (bytes.byteLength > MOST_BYTES) return { ok: false, message: TOO_LARGE };
  const [a, b, c, d] = bytes;
  if (a === 0x50 && b === 0x4b && c === 3 && d === 4)
    return {
      ok: false,
      message:
        'That is a whole workbook, or a zip. Save the one sheet as CSV, or copy its cells and paste them.'
    };
  if (a === 0xff && b === 0xfe) return { ok: true, text: decode(bytes, 'utf-16le'), as: 'UTF-16' };
  if (a === 0xfe && b === 0xff) return { ok: true, text: decode(bytes, 'utf-16be'), as: 'UTF-16' };
  if (bytes.subarray(0, 4096).includes(0)) return { ok: false, message: 'That is no text. Save it as CSV.' };
  try {
    return { ok: true, text: decode(bytes, 'utf-8', true), as: 'UTF-8' };
  } catch {
    return { ok: true, text: decode(bytes, 'windows-1252'), as: 'Latin-1' };
  }
}
