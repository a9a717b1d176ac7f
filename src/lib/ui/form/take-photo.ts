import type { Body } from '$lib/core/command/commands';
import { outbox } from '../outbox/outbox.svelte';
import { showHere } from '../outbox/photos';
import { knownNow } from '../offline/store';

const MOST_BYTES = 15 * 1024 * 1024;
type Photos = 'photo.attach' | 'finding.photo';

/**
 * Sends a photo: its pixels first, then the word where they belong. Without an answer both are kept on this device, and go by
 * themselves.
 *
 * @param to what it belongs to
 * @returns its id, or why it was not taken; `kept`: it waits on this device
 */
export async function takePhoto<K extends Photos>(
  file: File,
  kind: K,
  to: Omit<Body<K>, 'photoId'>
): Promise<{ id: string; kept: boolean } | { error: string }> {
  if (file.size > MOST_BYTES) return { error: 'At most 15 MB: take it with less resolution.' };
  if (!file.type.startsWith('image/')) return { error: 'Not a photo: JPEG, PNG or WebP.' };
  const id = crypto.randomUUID();
  const sent = await outbox.send(kind, { ...to, photoId: id }, knownNow(), file);
  if (sent.ok) return { id, kept: false };
  if (!sent.more.kept) return { error: Object.values(sent.errors)[0] ?? 'Not taken. Try again.' };
  await showHere(id, file).catch(() => {});
  return { id, kept: true };
}
