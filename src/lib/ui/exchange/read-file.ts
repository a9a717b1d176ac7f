import type { FileAnswer, FileRequest } from '$lib/workers/files.worker';

/** A season’s calendar and a day’s track are read in a second or two; what takes longer was not written by an instrument, ms. */
const WITHIN = 20_000;

/** Reads a file in a worker, and gives it up where it takes too long. */
export function readFile<K extends FileRequest['kind']>(
  request: Extract<FileRequest, { kind: K }>
): Promise<FileAnswer[K]> {
  const worker = new Worker(new URL('../../workers/files.worker.ts', import.meta.url), { type: 'module' });
  return new Promise((done) => {
    const end = (answer: unknown) => {
      clearTimeout(late);
      worker.terminate();
      done(answer as FileAnswer[K]);
    };
    const late = setTimeout(
      () =>
        end({ ok: false, message: 'This file takes too long to read. Save a part of it, and take that in.' }),
      WITHIN
    );
    worker.onmessage = ({ data }) => end(data);
    worker.onerror = () => end({ ok: false, message: 'This file cannot be read.' });
    worker.postMessage(request, 'bytes' in request ? [request.bytes] : []);
  });
}
