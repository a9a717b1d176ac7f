import { NO_SERVER, type Sent } from '../base/wire';
import { CACHES } from '../offline/names';
import { store, type Kept } from '../offline/store';

/** A photo takes its time over a weak signal, ms. */
const PATIENCE = 120_000;

/** The photo that a command speaks of: its pixels go first. */
export const photoOf = (k: Kept): string | null => (k.body as { photoId?: string } | null)?.photoId ?? null;

const addressesOf = (photo: string): string[] => [`/api/photos/${photo}`, `/api/photos/${photo}?small`];

/** Until the server has it, a photo is seen on this device as if it had come from there. */
export async function showHere(photo: string, pixels: Blob): Promise<void> {
  const kept = await caches.open(CACHES.photos);
  for (const address of addressesOf(photo))
    await kept.put(address, new Response(pixels, { headers: { 'content-type': pixels.type } }));
}
/** Pixels that this device could not store, for as long as the page lives. */
const held = new Map<string, Blob>();
export const holdPixels = (photo: string, pixels: Blob): void => void held.set(photo, pixels);

/** The server has it, or nobody wants it: its pixels go from this device. */
export async function forgetHere(photo: string): Promise<void> {
  held.delete(photo);
  await store.dropPixels(photo);
  if (!('caches' in globalThis)) return;
  const kept = await caches.open(CACHES.photos);
  for (const address of addressesOf(photo)) await kept.delete(address);
}

/**
 * Sends the pixels that a command speaks of, where this device has them still.
 * @returns null where the command itself can go; else what became of it, as for a list of one
 */
export async function sendPixels(kept: Kept): Promise<(Sent<unknown> & { id: string })[] | null> {
  const photo = photoOf(kept);
  const pixels = photo && (held.get(photo) ?? (await store.pixels(photo).catch(() => null)));
  if (!photo || !pixels) return null;
  const no = (errors: Record<string, string>, more: Record<string, unknown> = {}) => [
    { id: kept.id, ok: false as const, errors, more }
  ];
  try {
    const response = await fetch(`/api/photos?id=${photo}`, {
      method: 'POST',
      headers: { 'content-type': pixels.type },
      body: pixels,
      signal: AbortSignal.timeout(PATIENCE)
    });
    const answer = (await response.json().catch(() => null)) as Partial<
      Extract<Sent<unknown>, { ok: false }>
    > | null;
    if (response.ok && answer) return null;
    return answer?.errors ? no(answer.errors, answer.more) : no({ '': NO_SERVER }, { retry: true });
  } catch {
    return no({ '': NO_SERVER }, { retry: true });
  }
}
