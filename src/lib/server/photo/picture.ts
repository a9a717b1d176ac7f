import sharp from 'sharp';
import { refuse } from '../base/refusal';

/** What a phone's camera makes; past it, it is no photo of a drain plug. */
export const MOST_BYTES = 15 * 1024 * 1024;
const FORMATS = new Set(['jpeg', 'png', 'webp']);
const LARGE = 1600;
const SMALL = 320;
/** A picture that unpacks to more than this was made to fill a memory. */
const MOST_PIXELS = 60_000_000;
/** Of its longer side: no camera's is a quarter of it, and a picture one pixel high and millions wide is none. */
const MOST_ACROSS = 32_000;

/** A photo as it is kept: never what was sent, always our own JPEG made from its pixels, without place or camera. */
export interface Made {
  jpeg: Uint8Array;
  small: Uint8Array;
  width: number;
  height: number;
}

/** A kept photo as it stands in a list. @throws Error where it is no image */
export const makeSmall = (jpeg: Uint8Array): Promise<Buffer> =>
  sharp(jpeg, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
    .resize(SMALL, SMALL, { fit: 'inside' })
    .jpeg({ quality: 70 })
    .toBuffer();

/** Reads the pixels of what was sent, whatever it is called, and makes them small. @throws Refusal where it is no photo */
export async function makePhoto(sent: Uint8Array): Promise<Made> {
  if (sent.byteLength > MOST_BYTES) refuse('photo', 'At most 15 MB: take it with less resolution.');
  try {
    const image = sharp(sent, { limitInputPixels: MOST_PIXELS, failOn: 'error' });
    // By its first bytes, before any pixel is unpacked.
    const { format, width, height } = await image.metadata();
    if (!format || !FORMATS.has(format)) refuse('photo', 'Not a photo: JPEG, PNG or WebP.');
    if (Math.max(width, height) > MOST_ACROSS || width * height > MOST_PIXELS)
      refuse('photo', 'At most 60 million pixels: take it with less resolution.');
    const { data, info } = await image
      .rotate()
      .flatten({ background: '#ffffff' })
      .resize(LARGE, LARGE, { fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 80 })
      .toBuffer({ resolveWithObject: true });
    return { jpeg: data, small: await makeSmall(data), width: info.width, height: info.height };
  } catch (e) {
    if (e instanceof Error && 'errors' in e) throw e;
    return refuse('photo', 'Not a photo, or a broken one: JPEG, PNG or WebP.');
  }
}
