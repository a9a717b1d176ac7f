import { createWriteStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { error } from '@sveltejs/kit';

/**
 * The bytes of a request, counted as they come: a length that is stated may be missing or untrue. Whatever reads what was sent
 * reads it through here or {@link toDisk}, each with its own limit; the server’s own is that of a team’s file.
 * @throws HttpError 413 as soon as there are more than `most`
 */
export async function readBytes(request: Request, most: number, tooMuch: string): Promise<Uint8Array> {
  if (Number(request.headers.get('content-length') ?? 0) > most) error(413, tooMuch);
  const reader = request.body?.getReader();
  if (!reader) return new Uint8Array();
  const parts: Uint8Array[] = [];
  let length = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    length += value.byteLength;
    if (length > most) {
      await reader.cancel();
      error(413, tooMuch);
    }
    parts.push(value);
  }
  const all = new Uint8Array(length);
  let at = 0;
  for (const part of parts) {
    all.set(part, at);
    at += part.byteLength;
  }
  return all;
}

/** The longest form, a race day pasted in; photos and files come another way. */
const MOST_BYTES = 2_000_000;

/**
 * The fields of a plain form as text; files are none.
 * @throws HttpError 400 or 413
 */
export async function readFields(request: Request): Promise<Record<string, string>> {
  const bytes = await readBytes(request, MOST_BYTES, 'That is too much for one form.');
  const type = request.headers.get('content-type') ?? '';
  const fields: Record<string, string> = {};
  try {
    const counted = new Response(new Uint8Array(bytes), { headers: { 'content-type': type } });
    for (const [name, value] of await counted.formData()) if (typeof value === 'string') fields[name] = value;
  } catch {
    error(400, 'That is no form.');
  }
  return fields;
}

/**
 * A JSON body. Only JSON: another site's form cannot send that without asking first.
 * @param most bytes of it
 * @throws HttpError 400, 413 or 415
 */
export async function readJson(request: Request, most = MOST_BYTES): Promise<unknown> {
  if (!request.headers.get('content-type')?.startsWith('application/json')) error(415, 'Send JSON.');
  const bytes = await readBytes(request, most, 'That is too much for one form.');
  try {
    return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch {
    error(400, 'That is not JSON.');
  }
}

/**
 * Keeps what is sent in a file for as long as `run` takes: it may be more than fits in memory.
 * @throws HttpError 413 as soon as there are more than `most` bytes
 */
export async function toDisk<T>(
  request: Request,
  most: number,
  tooMuch: string,
  run: (path: string) => Promise<T>
): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), 'hour-trail-in-'));
  try {
    const path = join(folder, 'sent');
    let length = 0;
    const counted = async function* (parts: AsyncIterable<Uint8Array>) {
      for await (const part of parts) {
        length += part.byteLength;
        if (length > most) error(413, tooMuch);
        yield part;
      }
    };
    await pipeline(
      request.body ? Readable.fromWeb(request.body as never) : Readable.from([]),
      counted,
      createWriteStream(path)
    );
    return await run(path);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}
