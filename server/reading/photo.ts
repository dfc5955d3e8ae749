import sharp from 'sharp';
import { badInput } from '../problems/problem';

/** Larger photos are refused unread; up to that they are reduced. */
const PHOTO = { most: 60_000_000, kept: 12_000_000, bytes: 40_000_000 } as const;

const KINDS: Readonly<Record<string, string>> = { jpeg: 'image/jpeg', png: 'image/png', webp: 'image/webp' };

export interface TakenPhoto {
  readonly bytes: Buffer;
  readonly mime: string;
  readonly width: number;
  readonly height: number;
}

const refuse = (says: string): never => {
  throw badInput([{ field: 'photo', says }]);
};

/**
 * An owner's photo made ready to keep: turned upright, at most 12 megapixels, without a word of what the
 * camera wrote into it, its location least of all.
 */
export async function takePhoto(bytes: Buffer): Promise<TakenPhoto> {
  // Of nothing at all no picture can be begun.
  if (bytes.length === 0) return refuse('the file is empty; send it again');
  const image = sharp(bytes, { limitInputPixels: PHOTO.most, failOn: 'error', sequentialRead: true });
  const seen = await sharp(bytes, { limitInputPixels: false })
    .metadata()
    .catch(() => null);
  if (!seen?.width || !seen.height || !seen.format || !KINDS[seen.format]) return refuse('not a JPEG, PNG or WebP photo');
  const pixels = seen.width * seen.height;
  if (pixels > PHOTO.most)
    return refuse(`${Math.ceil(pixels / 1_000_000)} megapixels; at most ${PHOTO.most / 1_000_000}. Send a smaller copy`);
  const scale = Math.min(1, Math.sqrt(PHOTO.kept / pixels));
  const kind = seen.format as 'jpeg' | 'png' | 'webp';
  try {
    // Nothing is copied from the original's metadata unless asked for: EXIF, GPS and comments stay behind.
    const upright = image.rotate();
    const resized = scale < 1 ? upright.resize({ width: Math.floor((seen.autoOrient?.width ?? seen.width) * scale) }) : upright;
    const made = await resized.toFormat(kind, { quality: 86 }).toBuffer({ resolveWithObject: true });
    return { bytes: made.data, mime: KINDS[kind] ?? '', width: made.info.width, height: made.info.height };
  } catch {
    return refuse('the photo is damaged or cut short; send it again');
  }
}

/** A signature is small: what is larger was not drawn on a tablet. */
const SIGNATURE = { pixels: 4_000_000 } as const;

/** Looks at a signature as it will be printed later. */
export async function seeSignature(address: string): Promise<void> {
  const bytes = Buffer.from(address.slice(address.indexOf(',') + 1), 'base64');
  try {
    await sharp(bytes, { limitInputPixels: SIGNATURE.pixels, failOn: 'error' }).raw().toBuffer();
  } catch {
    throw badInput([{ field: 'drawing', says: 'the signature is no picture; sign once more' }]);
  }
}
