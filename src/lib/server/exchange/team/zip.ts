import yauzl from 'yauzl';
import { TeamFileError } from '../../../core/exchange/team/file';

/** Things in the zip at most: the photos of many years. */
const MOST_ENTRIES = 50_000;

/** A zip opened, with what is in it by name. */
export interface OpenZip {
  names: readonly string[];
  /** The bytes of one thing in it. @throws TeamFileError where it is missing, or more than `most` bytes */
  read: (name: string, most: number) => Promise<Buffer>;
  /** The same, as it is unpacked. */
  parts: (name: string, most: number) => AsyncIterable<Buffer>;
  close: () => void;
}

const NO_ZIP = 'This is no zip file, or a broken one.';

/**
 * Opens a zip on the disk without unpacking anything. Names that point out of it are refused, and nothing is ever written by its
 * name; what unpacks to more bytes than it says is broken off by the reader.
 *
 * @throws TeamFileError where it is no zip, or has a thing twice, or far too many
 */
export async function openZip(path: string): Promise<OpenZip> {
  const zip = await yauzl.openPromise(path, { autoClose: false, lazyEntries: true }).catch(() => {
    throw new TeamFileError(NO_ZIP);
  });
  const entries = new Map<string, yauzl.Entry>();
  try {
    for await (const entry of zip.eachEntry()) {
      if (entry.fileName.endsWith('/')) continue;
      if (entries.has(entry.fileName)) throw new TeamFileError(`“${entry.fileName}” is in this file twice.`);
      if (entries.size >= MOST_ENTRIES) throw new TeamFileError('There is far too much in this file.');
      entries.set(entry.fileName, entry);
    }
  } catch (e) {
    zip.close();
    throw e instanceof TeamFileError ? e : new TeamFileError(NO_ZIP);
  }
  async function* parts(name: string, most: number): AsyncGenerator<Buffer> {
    const entry = entries.get(name);
    if (!entry) throw new TeamFileError(`There is no “${name}” in this file.`);
    if (entry.isEncrypted()) throw new TeamFileError('This zip has a password; Hour Trail’s has none.');
    if (entry.uncompressedSize > most) throw new TeamFileError(`“${name}” is larger than it can be.`);
    let length = 0;
    try {
      for await (const part of await zip.openReadStreamPromise(entry)) {
        length += (part as Buffer).length;
        if (length > most) throw new TeamFileError(`“${name}” is larger than it can be.`);
        yield part as Buffer;
      }
    } catch (e) {
      throw e instanceof TeamFileError ? e : new TeamFileError(`“${name}” in this file is broken.`);
    }
  }
  return {
    names: [...entries.keys()],
    close: () => zip.close(),
    parts,
    read: async (name, most) => {
      const all: Buffer[] = [];
      for await (const part of parts(name, most)) all.push(part);
      return Buffer.concat(all);
    }
  };
}
