import { Tokenizer, TokenParser, TokenType } from '@streamparser/json';
import { TeamFileError } from '../../../core/exchange/team/file';

/** What a text may hold at most; past it, it was made to fill a memory. */
export interface Bounds {
  /** Of the text, bytes. */
  bytes: number;
  /** Brackets within brackets. */
  depth: number;
  /** Rows of all tables together: things at the depth of a row. */
  rows: number;
  /** Words, numbers and marks of one row, or of what stands round the rows. */
  tokens: number;
}
/** A season of sixty machines is about 40 MB and 200,000 rows; what a step of a visit holds is a dozen deep. */
export const BOUNDS: Bounds = { bytes: 256 * 1024 * 1024, depth: 40, rows: 2_000_000, tokens: 1_000_000 };
/** In `{ "tables": { "machine": [ { … } ] } }` a row stands within so many brackets. */
const ROW_DEPTH = 3;

const OPENS: ReadonlySet<TokenType> = new Set([TokenType.LEFT_BRACE, TokenType.LEFT_BRACKET]);
const CLOSES: ReadonlySet<TokenType> = new Set([TokenType.RIGHT_BRACE, TokenType.RIGHT_BRACKET]);

/**
 * Reads JSON as it comes, and stops at the first thing that is beyond its bounds: nothing of what comes after it is looked at.
 *
 * @param parts the text, UTF-8
 * @throws TeamFileError where it is no JSON, or more than its bounds
 */
export async function readBounded(
  parts: AsyncIterable<Uint8Array>,
  bounds: Bounds = BOUNDS
): Promise<unknown> {
  const tokenizer = new Tokenizer({ stringBufferSize: 64 * 1024 });
  const parser = new TokenParser({ paths: ['$'] });
  const utf8 = new TextDecoder('utf-8', { fatal: true });
  const found: { json?: unknown } = {};
  let depth = 0;
  let rows = 0;
  let tokens = 0;
  parser.onValue = ({ value }) => void (found.json = value);
  tokenizer.onToken = (t) => {
    if (OPENS.has(t.token)) {
      if (depth === ROW_DEPTH) {
        tokens = 0;
        if (++rows > bounds.rows)
          throw new TeamFileError('There are more rows in this file than any team has.');
      }
      if (++depth > bounds.depth)
        throw new TeamFileError('What is in this file is nested deeper than any book is.');
    } else if (CLOSES.has(t.token)) depth -= 1;
    if (++tokens > bounds.tokens)
      throw new TeamFileError('There is a row in this file that is longer than any can be.');
    parser.write(t);
  };
  let bytes = 0;
  try {
    for await (const part of parts) {
      bytes += part.length;
      if (bytes > bounds.bytes) throw new TeamFileError('There is more in this file than can be read.');
      utf8.decode(part, { stream: true });
      tokenizer.write(part);
    }
    utf8.decode();
    if (!tokenizer.isEnded) tokenizer.end();
  } catch (e) {
    throw e instanceof TeamFileError ? e : new TeamFileError('What is in this file cannot be read.');
  }
  if (!('json' in found)) throw new TeamFileError('What is in this file cannot be read.');
  return found.json;
}
