/** What the service worker and the pages keep on the device, by name. */
export const CACHES = {
  /** The data of pages, as the server last gave them. */
  pages: 'pages',
  photos: 'photos',
  /** Which of them are of visits that were begun here, and that the server has not shown yet. */
  begun: 'begun'
} as const;

/** Among the pages: the data of the frame round every one, of whoever was last in. */
export const FRAME = '/frame';

/** The document that any page is opened with where the server cannot be asked: without data, which come from what is kept. */
export const SHELL = '/shell';

/** The address that a page's data are asked for at (as SvelteKit has it), and what is said with it of what the page has already. */
export const DATA = '/__data.json';
export const HAS_ALREADY = 'x-sveltekit-invalidated';

/** Said with an address: the hours are logged there at once. The page is the same. */
export const LOGS = 'log';

/** Where data of a page are asked for; what pages ask for by themselves is asked for as it is. @param path of ours, with its search */
export function dataOf(path: string): string {
  if (path.startsWith('/api/')) return path;
  const [at = '', search] = path.split('?');
  return `${at.replace(/\/$/, '')}${DATA}${search ? `?${search}` : ''}`;
}
