import { error } from '@sveltejs/kit';

/**
 * The bytes of a request, counted as they come: a length that is stated may be missing or untrue.
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
