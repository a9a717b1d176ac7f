/** How full what this device gives the app may be before it is said. */
export const NEARLY_FULL = 0.9;

/** What this device gives the app to keep things in. */
export const storage = $state<{
  /** Of what there is, 0 to 1; 0 where the browser does not say. */
  used: number;
  /** Whether it stays when the device runs short; null: the browser does not say. */
  stays: boolean | null;
}>({ used: 0, stays: null });

/** Looks how full it is. */
export async function lookAtStorage(): Promise<void> {
  const { usage, quota } = (await navigator.storage?.estimate?.().catch(() => null)) ?? {};
  storage.used = usage !== undefined && quota ? usage / quota : 0;
  storage.stays = (await navigator.storage?.persisted?.().catch(() => null)) ?? null;
}

/** Asks the browser not to clear what is kept when the device runs short: once something is kept that nobody else has. */
export async function askToStay(): Promise<void> {
  await navigator.storage?.persist?.().catch(() => false);
  await lookAtStorage();
}
