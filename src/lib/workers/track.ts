import { isDay } from '$lib/core/time/day';
import type { Point } from '$lib/core/track/track';

/** Bytes of a track: a week of points a second. */
export const MOST_BYTES = 30_000_000;
const MOST_POINTS = 1_000_000;

export type ReadTrack = { ok: true; segments: Point[][] } | { ok: false; message: string };
const NONE = 'There is no track with times in this file. GPX, TCX and FIT are read.';

/** One or several, as XML has it. */
const list = (x: unknown): unknown[] => (x === undefined || x === null ? [] : Array.isArray(x) ? x : [x]);
type Node = Record<string, unknown>;
const at = (x: unknown, ...keys: string[]): unknown =>
  keys.reduce<unknown>((n, k) => (n !== null && typeof n === 'object' ? (n as Node)[k] : undefined), x);

/** A moment as it is written: one on a day that no calendar has is none, and not a later one. */
const momentOf = (time: unknown): number => {
  if (time instanceof Date) return time.getTime();
  const text = String(time);
  return isDay(text.slice(0, 10)) ? Date.parse(text) : NaN;
};

function point(time: unknown, lat: unknown, lon: unknown): Point[] {
  const p = {
    at: momentOf(time),
    lat: Number(lat),
    lon: Number(lon)
  };
  const sane = Math.abs(p.lat) <= 90 && Math.abs(p.lon) <= 180 && lat !== undefined && lon !== undefined;
  return Number.isFinite(p.at) && sane ? [p] : [];
}

/** Characters between the signs of a tag: a point has two attributes. */
const LONGEST_TAG = 4000;
/** Whether there is a tag in it that no instrument writes. Each character is looked at once. */
function hasEndlessTag(xml: string): boolean {
  for (let from = xml.indexOf('<'); from >= 0; from = xml.indexOf('<', from)) {
    const to = xml.indexOf('>', from);
    if ((to < 0 ? xml.length : to) - from > LONGEST_TAG) return true;
    if (to < 0) return false;
    from = to;
  }
  return false;
}

async function readXml(text: string): Promise<Point[][]> {
  if (hasEndlessTag(text)) throw new Error(NONE);
  const { XMLParser } = await import('fast-xml-parser');
  const parser = new XMLParser({
    ignoreAttributes: false,
    attributeNamePrefix: '@',
    parseTagValue: false,
    removeNSPrefix: true,
    // What an entity stands for is never unfolded.
    processEntities: false
  });
  const xml: unknown = parser.parse(text);
  const gpx = list(at(xml, 'gpx', 'trk')).flatMap((trk) =>
    list(at(trk, 'trkseg')).map((seg) =>
      list(at(seg, 'trkpt')).flatMap((p) => point(at(p, 'time'), at(p, '@lat'), at(p, '@lon')))
    )
  );
  const tcx = list(at(xml, 'TrainingCenterDatabase', 'Activities', 'Activity')).flatMap((activity) =>
    list(at(activity, 'Lap')).flatMap((lap) =>
      list(at(lap, 'Track')).map((track) =>
        list(at(track, 'Trackpoint')).flatMap((p) =>
          point(at(p, 'Time'), at(p, 'Position', 'LatitudeDegrees'), at(p, 'Position', 'LongitudeDegrees'))
        )
      )
    )
  );
  return [...gpx, ...tcx];
}

async function readFit(bytes: ArrayBuffer): Promise<Point[][]> {
  const { default: FitParser } = await import('fit-file-parser');
  const parser = new FitParser({ force: true, mode: 'list' });
  return new Promise((done, fail) => {
    parser.parse(bytes, (error, data) => {
      if (error || !data) fail(new Error(error ?? NONE));
      else
        done([
          list(at(data, 'records')).flatMap((r) =>
            point(at(r, 'timestamp'), at(r, 'position_lat'), at(r, 'position_long'))
          )
        ]);
    });
  });
}

/** What a FIT file says of itself, after its first eight bytes. */
const isFit = (bytes: Uint8Array) => String.fromCharCode(...bytes.slice(8, 12)) === '.FIT';

/** Reads a track file, by what is in it and not by its name. */
export async function readTrack(bytes: ArrayBuffer): Promise<ReadTrack> {
  if (bytes.byteLength > MOST_BYTES)
    return { ok: false, message: `A track of at most ${MOST_BYTES / 1e6} MB.` };
  try {
    const segments = isFit(new Uint8Array(bytes))
      ? await readFit(bytes)
      : await readXml(new TextDecoder().decode(bytes));
    const points = segments.reduce((sum, s) => sum + s.length, 0);
    if (points < 2 || points > MOST_POINTS) return { ok: false, message: NONE };
    return { ok: true, segments };
  } catch {
    return { ok: false, message: NONE };
  }
}
