import sharp from 'sharp';
import { badInput } from '../problems/problem';

/** Larger photos are refused unread; up to that they are reduced, in pixels and in bytes. */
const PHOTO = { most: 60_000_000, kept: 12_000_000, bytes: 2_000_000 } as const;
/** What is still too large is made anew so: a little coarser, then a fifth smaller each time. */
const QUALITIES = [86, 74, 60] as const;

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
 * An owner's photo made ready to keep: turned upright, at most 12 megapixels and 2 MB, without a word of what the
 * camera wrote into it, its location least of all. A picture without end in its colours is kept as JPEG where its own
 * kind would be larger.
 */
export async function takePhoto(bytes: Buffer): Promise<TakenPhoto> {
  // Of nothing at all no picture can be begun.
  if (bytes.length === 0) return refuse('the file is empty; send it again');
  const seen = await sharp(bytes, { limitInputPixels: false })
    .metadata()
    .catch(() => null);
  if (!seen?.width || !seen.height || !seen.format || !KINDS[seen.format]) return refuse('not a JPEG, PNG or WebP photo');
  const pixels = seen.width * seen.height;
  if (pixels > PHOTO.most)
    return refuse(`${Math.ceil(pixels / 1_000_000)} megapixels; at most ${PHOTO.most / 1_000_000}. Send a smaller copy`);
  const first = Math.min(1, Math.sqrt(PHOTO.kept / pixels));
  const own = seen.format as 'jpeg' | 'png' | 'webp';
  const across = seen.autoOrient?.width ?? seen.width;
  const made = async (kind: typeof own, scale: number, quality: number): Promise<TakenPhoto> => {
    // Nothing is copied from the original's metadata unless asked for: EXIF, GPS and comments stay behind.
    const upright = sharp(bytes, { limitInputPixels: PHOTO.most, failOn: 'error', sequentialRead: true }).rotate();
    const resized = scale < 1 ? upright.resize({ width: Math.max(1, Math.floor(across * scale)) }) : upright;
    const plain = kind === 'jpeg' ? resized.flatten({ background: '#fff' }) : resized;
    const { data, info } = await plain.toFormat(kind, kind === 'png' ? {} : { quality }).toBuffer({ resolveWithObject: true });
    return { bytes: data, mime: KINDS[kind] ?? '', width: info.width, height: info.height };
  };
  try {
    let taken = await made(own, first, QUALITIES[0]);
    const kind = own === 'png' ? 'jpeg' : own;
    for (let n = 0; taken.bytes.length > PHOTO.bytes; n++) {
      const quality = QUALITIES[Math.min(n + (own === 'png' ? 0 : 1), QUALITIES.length - 1)] ?? 60;
      taken = await made(kind, first * 0.8 ** Math.max(0, n - 1), quality);
    }
    return taken;
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
