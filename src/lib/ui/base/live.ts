import { EVERYTHING, readTold, type Told } from '$lib/core/live/told';

type Listener = (told: Told) => void;
const listeners = new Set<Listener>();
/** After so long a line that the server closed is opened again, ms. */
const AGAIN_AFTER = 2000;
const NAME = 'hour-trail live';

function tell(told: Told): void {
  for (const listener of listeners) listener(told);
}

/**
 * Is told what others wrote, as they write it.
 * @returns ends it
 */
export function onTold(listener: Listener): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/**
 * Opens the line over which the server tells what is written, for as long as a page of the app is open. Of several windows one has the
 * line and hands on what it hears: browsers open no more than six lines to one server.
 * @param changed whether the line is open: without it the page may be old
 * @returns ends it
 */
export function openLine(changed: (open: boolean) => void): () => void {
  const others = new BroadcastChannel(NAME);
  const over = new AbortController();
  others.onmessage = ({ data }: MessageEvent<{ told?: string; open?: boolean }>) => {
    if (data.told !== undefined) tell(readTold(data.told));
    if (data.open !== undefined) changed(data.open);
  };
  const listen = () =>
    new Promise<void>((done) => {
      let source: EventSource;
      let timer: ReturnType<typeof setTimeout> | undefined;
      let wasOpen = false;
      const state = (open: boolean) => {
        changed(open);
        others.postMessage({ open });
      };
      const heard = (text: string) => {
        tell(readTold(text));
        others.postMessage({ told: text });
      };
      const begin = () => {
        source = new EventSource('/api/live');
        source.onopen = () => {
          // The browser itself says where it was when it opens the line again; a new one does not know.
          if (!wasOpen || timer) heard(JSON.stringify(EVERYTHING));
          wasOpen = true;
          timer = undefined;
          state(true);
        };
        source.onmessage = (e: MessageEvent<string>) => heard(e.data);
        source.onerror = () => {
          state(false);
          // Refused, not lost: the browser does not try again by itself.
          if (source.readyState === EventSource.CLOSED) timer = setTimeout(begin, AGAIN_AFTER);
        };
      };
      begin();
      over.signal.addEventListener('abort', () => {
        clearTimeout(timer);
        source.close();
        done();
      });
    });
  // Where windows cannot agree on one (an old browser), each has a line of its own.
  if (navigator.locks) void navigator.locks.request(NAME, { signal: over.signal }, listen).catch(() => {});
  else void listen();
  return () => {
    over.abort();
    others.close();
  };
}
