import { shell } from './page.svelte';

/** Longer than that no answer of a server in the tent takes, ms. */
const PATIENCE = 4000;

/**
 * Asks whether the server answers: where the browser says that the network changed. That it has no network says little: the server may
 * be on this very machine.
 */
export async function askAfterServer(): Promise<void> {
  shell.away = !(await fetch('/health', { signal: AbortSignal.timeout(PATIENCE) }).then(
    (r) => r.ok,
    () => false
  ));
}
