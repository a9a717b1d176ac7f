import { FitBaseType, FitEncoder } from 'fit-file-parser/encoder';
import { describe, expect, it } from 'vitest';
import { rideOf } from '$lib/core/track/track';
import { readTrack, type ReadTrack } from './track';

const T0 = Date.UTC(2026, 10, 28, 9);
/** So many points, one a second, 10 m apart to the north: what each file here holds. */
const POINTS = Array.from({ length: 121 }, (_, i) => ({
  at: new Date(T0 + i * 1000),
  lat: 50 + (i * 10) / 111_195.08,
  lon: 8
}));
const bytes = (text: string): ArrayBuffer => new TextEncoder().encode(text).buffer as ArrayBuffer;
const rideIn = (read: ReadTrack) => (read.ok ? rideOf(read.segments, 'UTC') : null);

const gpx = (points = POINTS, head = '') =>
  `<?xml version="1.0"?>${head}<gpx version="1.1" xmlns="http://www.topografix.com/GPX/1/1"><trk><trkseg>${points
    .map(
      (p) => `<trkpt lat="${p.lat}" lon="${p.lon}"><ele>100</ele><time>${p.at.toISOString()}</time></trkpt>`
    )
    .join('')}</trkseg></trk></gpx>`;

describe('a track', () => {
  // Two minutes at 10 m/s: 1.2 km.
  const twoMinutes = { day: '2026-11-28', moving: 120, stops: 0, leaps: 0 };
  it('is read from GPX', async () => {
    const ride = rideIn(await readTrack(bytes(gpx())))!;
    expect(ride).toMatchObject(twoMinutes);
    expect(ride.distance).toBeCloseTo(1200, 0);
  });
  it('is read from TCX', async () => {
    const tcx = `<TrainingCenterDatabase><Activities><Activity Sport="Other"><Lap><Track>${POINTS.map(
      (p) =>
        `<Trackpoint><Time>${p.at.toISOString()}</Time><Position><LatitudeDegrees>${p.lat}</LatitudeDegrees><LongitudeDegrees>${p.lon}</LongitudeDegrees></Position></Trackpoint>`
    ).join('')}</Track></Lap></Activity></Activities></TrainingCenterDatabase>`;
    expect(rideIn(await readTrack(bytes(tcx)))).toMatchObject(twoMinutes);
  });
  it('is read from FIT', async () => {
    const fit = new FitEncoder();
    const semicircles = (degrees: number) => Math.round((degrees / 180) * 2 ** 31);
    for (const p of POINTS)
      fit.writeMessage(20, [
        { number: 253, size: 4, baseType: FitBaseType.Uint32, value: FitEncoder.toFitTimestamp(p.at) },
        { number: 0, size: 4, baseType: FitBaseType.Sint32, value: semicircles(p.lat) },
        { number: 1, size: 4, baseType: FitBaseType.Sint32, value: semicircles(p.lon) }
      ]);
    const made = fit.close();
    const ride = rideIn(await readTrack(made.slice().buffer as ArrayBuffer))!;
    expect(ride).toMatchObject(twoMinutes);
    expect(ride.distance).toBeCloseTo(1200, -1);
  });
  it('leaves points without a time or a place out', async () => {
    const some = gpx()
      .replace(/<time>[^<]*<\/time>/, '')
      .replace('lat="50"', 'lat="500"');
    expect(rideIn(await readTrack(bytes(some)))).toMatchObject({ moving: 119 });
  });
});

describe('what is no track', () => {
  it.each([
    ['nothing', ''],
    ['a spreadsheet', 'plate,hours\n5,48.6'],
    ['half a file', gpx().slice(0, 300)],
    ['a route that has no times', gpx().replace(/<time>[^<]*<\/time>/g, '')],
    ['days that no calendar has', gpx().replaceAll('2026-11-28', '2026-11-31')],
    ['a tag of a hundred thousand attributes', `<gpx ${'a="1" '.repeat(100_000)}>`],
    ['a tag that is never closed', `<gpx><trk ${'x'.repeat(100_000)}`],
    ['a page', '<html><body>no</body></html>'],
    ['the head of a FIT file and nothing after', '\x0e\x10\x00\x00\x00\x00\x00\x00.FIT\x00\x00']
  ])('%s is said to be none', async (_, text) => {
    expect(await readTrack(bytes(text))).toMatchObject({
      ok: false,
      message: expect.stringMatching(/GPX, TCX and FIT/)
    });
  });
  it('entities that unfold into a million are not unfolded', async () => {
    const bomb = `<!DOCTYPE x [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;&a;&a;">]>`;
    const read = await readTrack(bytes(gpx(POINTS, bomb).replace('<ele>100</ele>', '<ele>&b;&b;&b;</ele>')));
    // Read or refused, it is not unfolded.
    expect(JSON.stringify(read)).not.toContain('aaaaaaaaaa');
  });
  it('too large a file is refused before it is read', async () => {
    expect(await readTrack(new ArrayBuffer(30_000_001))).toMatchObject({
      ok: false,
      message: 'A track of at most 30 MB.'
    });
  });
});
