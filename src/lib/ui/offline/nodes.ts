import { HAS_ALREADY, LOGS } from './names';

/**
 * The data of a page as they come from the server: those of the frame round every page, then the page's own. Of what the browser has
 * already nothing comes.
 */
interface Node {
  type: 'data' | 'skip' | 'error';
  [more: string]: unknown;
}
interface Data {
  type: 'data';
  nodes: (Node | null)[];
}

function read(text: string): Data | null {
  try {
    const data = JSON.parse(text) as Partial<Data> | null;
    return data?.type === 'data' && Array.isArray(data.nodes) ? (data as Data) : null;
  } catch {
    return null;
  }
}

/** The frame's own, where they came along. */
export function frameOf(text: string): string | null {
  const frame = read(text)?.nodes[0];
  return frame?.type === 'data' ? JSON.stringify({ type: 'data', nodes: [frame] }) : null;
}

/**
 * An answer with all that the page needs, as it can be given again to whoever has nothing yet.
 * @param frame the frame's, for an answer without them
 * @returns null: it is none to be kept (an error, a redirect, or only a part)
 */
export function whole(text: string, frame: string | null): string | null {
  const data = read(text);
  if (!data || data.nodes.length < 2) return null;
  const [first, ...rest] = data.nodes;
  const kept = first?.type === 'data' ? first : frame === null ? null : (read(frame)?.nodes[0] ?? null);
  return kept?.type === 'data' && rest.every((n) => n === null || n.type === 'data')
    ? JSON.stringify({ type: 'data', nodes: [kept, ...rest] })
    : null;
}

/** Where what was at one address is found at another. Who has to sign in first is led away too, and that says nothing of the page. */
const MOVED = /^\/(visits|machines|records)\//;
/** What the server says of a page by its data: here they are, it has no such page, it is another one, or nothing of the kind. */
export function saidOf(text: string): 'here' | 'no such page' | 'elsewhere' | 'fault' {
  const data = read(text);
  if (data)
    return data.nodes.every((n) => n?.type !== 'error')
      ? 'here'
      : data.nodes.some((n) => n?.['status'] === 404)
        ? 'no such page'
        : 'fault';
  try {
    const said = JSON.parse(text) as { type?: unknown; location?: unknown } | null;
    return said?.type === 'redirect' && MOVED.test(String(said.location)) ? 'elsewhere' : 'fault';
  } catch {
    return 'fault';
  }
}

/** A page of this device's own, as the server would give it; its frame is put round it when it is opened. @param data as devalue writes them */
export const ownPage = (data: string): string =>
  `{"type":"data","nodes":[{"type":"skip"},{"type":"data","data":${data},"uses":{}}]}`;

/** What one comes to the bench for is said in the address, and picked on the page. */
const IS_PICKED_FROM = /^\/machines\/[^/]+\/visit\/__data\.json$/;
/** The same page whatever the browser has of it already. @returns its address without what is said in it of nothing but how it is opened */
export function keyOf(address: string): string {
  const url = new URL(address);
  url.searchParams.delete(HAS_ALREADY);
  url.searchParams.delete('x-sveltekit-trailing-slash');
  url.searchParams.delete(LOGS);
  if (IS_PICKED_FROM.test(url.pathname)) url.search = '';
  url.hash = '';
  return url.href;
}

export const NOT_HERE =
  'This page is not on this device, and the server does not answer. What was opened before the signal was lost is here.';
/**
 * What is answered for a page that is not on this device: its frame, and in it that it is not here.
 * @param frame the frame's data; null: not even those are here
 */
export function notHere(frame: string | null, address: string): { body: string; status: number } {
  const error = { message: NOT_HERE };
  const kept = frame === null ? null : read(frame)?.nodes[0];
  if (!kept) return { body: JSON.stringify(error), status: 503 };
  // One digit for the frame and one for the page: 1 where its data are wanted. The frame alone is asked for to say in it what is missing.
  const wanted = new URL(address).searchParams.get(HAS_ALREADY) ?? '11';
  const nodes = [...wanted].map((one, i) =>
    i === 0 ? kept : one === '1' ? { type: 'error', error, status: 503 } : { type: 'skip' }
  );
  return { body: JSON.stringify({ type: 'data', nodes }), status: 200 };
}
