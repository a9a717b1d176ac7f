import type { Sent } from './send';

const MOST_BYTES = 15 * 1024 * 1024;

/**
 * Sends a photo: its pixels first, then the word where they belong.
 *
 * @param attach says where it belongs
 * @returns its id, or why it was not taken
 */
export async function takePhoto(
  file: File,
  attach: (photoId: string) => Promise<Sent<unknown>>
): Promise<{ id: string } | { error: string }> {
  if (file.size > MOST_BYTES) return { error: 'At most 15 MB: take it with less resolution.' };
  if (!file.type.startsWith('image/')) return { error: 'Not a photo: JPEG, PNG or WebP.' };
  const id = crypto.randomUUID();
  try {
    const r = await fetch(`/api/photos?id=${id}`, {
      method: 'POST',
      headers: { 'content-type': file.type },
      body: file
    });
    const uploaded = await r.json().catch(() => null);
    const answer = uploaded?.ok ? await attach(id) : uploaded;
    if (answer?.ok) return { id };
    return {
      error: (Object.values(answer?.errors ?? {})[0] as string) ?? answer?.message ?? 'Not taken. Try again.'
    };
  } catch {
    return { error: 'No answer from the server; the photo is still on your device. Try again.' };
  }
}
