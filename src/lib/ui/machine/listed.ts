import type { NamedMachine } from '$lib/core/machine/machine';

export interface ListedMachine extends NamedMachine {
  /** Hundredths of an hour; null: not known. */
  total: number | null;
}
export const NOT_READ = 'The machines could not be read: no answer from the server, and none are kept here.';

async function read(path: string): Promise<ListedMachine[] | null> {
  try {
    const response = await fetch(path);
    return response.ok ? ((await response.json()) as { data: ListedMachine[] }).data : null;
  } catch {
    return null;
  }
}

/**
 * The machines whose plate, name or maker hold some words; without words, all of them. Without a signal they are looked for among those
 * this device took along.
 * @returns null: neither the server nor this device has them
 */
export async function listedMachines(words = ''): Promise<ListedMachine[] | null> {
  const w = words.trim().toLowerCase();
  if (w === '') return read('/api/machines');
  const found = await read(`/api/machines?q=${encodeURIComponent(words)}`);
  if (found) return found;
  const all = await read('/api/machines');
  return (
    all?.filter((m) => [m.plate, m.name, m.maker].some((text) => text.toLowerCase().includes(w))) ?? null
  );
}
