import { randomUUID } from 'node:crypto';
import { type AddedPhoto, PHOTO_LIMIT } from '@plain-cleat/api';
import sharp from 'sharp';
import { PhotoRow } from '../database/models';
import { type Person, problemOf, shop } from '../testing/shop';

const plain = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: { r: 40, g: 90, b: 80 } }, limitInputPixels: false });

describe('photos', () => {
  let ama: Person;
  let rig: string;
  beforeAll(async () => {
    ama = await (await shop()).signIn('ama');
    rig = await ama.newRig('photographed');
  });
  const send = (bytes: Buffer, name = 'deck.jpg') => ama.sendFile(`/api/rigs/${rig}/photos`, 'photo', bytes, name);

  it('are kept without what the camera wrote into them, upright', async () => {
    const written = await plain(400, 300)
      .withExif({ IFD0: { Make: 'secret camera' }, IFD3: { GPSLatitude: '51/1 30/1 0/1', GPSLatitudeRef: 'N' } })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer();
    const exif = await plain(400, 300)
      .withExif({ IFD0: { Make: 'secret camera' }, IFD3: { GPSLatitude: '51/1 30/1 0/1', GPSLatitudeRef: 'N' } })
      .jpeg()
      .toBuffer();
    expect((await sharp(exif).metadata()).exif).toBeDefined();
    const { body } = await send(exif).expect(200);
    const kept = (await ama.get(`/api/rigs/${rig}/photos/${(body as AddedPhoto).id}`).expect(200)).body as Buffer;
    const meta = await sharp(kept).metadata();
    expect([meta.exif, meta.width, meta.height]).toEqual([undefined, 400, 300]);
    expect(kept.includes('secret camera')).toBeFalse();
    const turned = (await send(written).expect(200)).body as AddedPhoto;
    expect([turned.width, turned.height]).toEqual([300, 400]);
  });

  it('PNG and WebP stay what they are', async () => {
    for (const kind of ['png', 'webp'] as const) {
      const { body } = await send(await plain(60, 40).toFormat(kind).toBuffer(), `a.${kind}`).expect(200);
      const kept = await ama.get(`/api/rigs/${rig}/photos/${(body as AddedPhoto).id}`).expect(200);
      expect(kept.headers['content-type']).toContain(`image/${kind}`);
    }
  });

  it('up to 60 megapixels are reduced to 12; more is refused unread', async () => {
    const large = (await send(await plain(8000, 6000).png({ compressionLevel: 9 }).toBuffer()).expect(200)).body as AddedPhoto;
    expect(large.width * large.height).toBeLessThanOrEqual(12_000_000);
    expect(large.width * large.height).toBeGreaterThan(11_900_000);
    const tooLarge = await plain(9000, 7000).png({ compressionLevel: 9 }).toBuffer();
    expect(problemOf(await send(tooLarge).expect(422)).detail).toContain('63 megapixels; at most 60');
  });

  it('are kept under 2 MB, however much there is in them', async () => {
    const noise = Buffer.alloc(3000 * 2000 * 3);
    for (let i = 0, n = 2463534242; i < noise.length; i++) {
      n ^= n << 13;
      n ^= n >>> 17;
      n ^= n << 5;
      noise[i] = n & 255;
    }
    const raw = sharp(noise, { raw: { width: 3000, height: 2000, channels: 3 } });
    for (const bytes of [await raw.clone().jpeg({ quality: 95 }).toBuffer(), await raw.clone().png().toBuffer()]) {
      expect(bytes.length).toBeGreaterThan(4_000_000);
      const { id, width, height } = (await send(bytes).expect(200)).body as AddedPhoto;
      const kept = (await ama.get(`/api/rigs/${rig}/photos/${id}`).expect(200)).body as Buffer;
      expect(kept.length).toBeLessThanOrEqual(2_000_000);
      const meta = await sharp(kept).metadata();
      expect([meta.width, meta.height]).toEqual([width, height]);
      expect(width / height).toBeCloseTo(1.5, 1);
    }
  });

  it('that show what was agreed are erased by managers only, and leave a trace', async () => {
    const s = await shop();
    const { id } = (await send(await plain(30, 30).jpeg().toBuffer()).expect(200)).body as AddedPhoto;
    const plan = (await ama.rig(rig)).plan.id;
    const fact = {
      id: randomUUID(),
      kind: 'layoutAgreed',
      rig: plan,
      deviceTime: '2026-06-01T10:00:00Z',
      name: 'Ada',
      photo: id,
    };
    await ama.post(`/api/rigs/${rig}/facts`, { facts: [fact] }).expect(200);
    expect(problemOf(await ama.remove(`/api/rigs/${rig}/photos/${id}`).expect(403)).detail).toContain('a manager erases it');
    await ama.get(`/api/rigs/${rig}/photos/${id}`).expect(200);
    await (await s.signIn('idris')).remove(`/api/rigs/${rig}/photos/${id}`).expect(200);
    await ama.get(`/api/rigs/${rig}/photos/${id}`).expect(404);
    const [trace] = (await ama.rig(rig)).facts.filter((f) => f.kind === 'photoErased');
    expect([trace?.by, trace?.kind === 'photoErased' && trace.photo]).toEqual(['Idris Kell', id]);
  });

  it('are so many a rig and no more', async () => {
    const full = await ama.newRig('full of photos');
    const bytes = await plain(10, 10).jpeg().toBuffer();
    await PhotoRow.bulkCreate(
      Array.from({ length: PHOTO_LIMIT }, () => ({ id: randomUUID(), rigId: full, mime: 'image/jpeg', bytes })),
    );
    const refused = await ama.sendFile(`/api/rigs/${full}/photos`, 'photo', bytes, 'one.jpg').expect(422);
    expect(problemOf(refused).detail).toContain('this rig holds 300 photos');
  });

  it('cut short or not a photo: refused in clear words, nothing kept', async () => {
    const whole = await plain(800, 600).jpeg().toBuffer();
    expect(problemOf(await send(whole.subarray(0, whole.length - 900)).expect(422)).detail).toContain('damaged or cut short');
    expect(problemOf(await send(Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>')).expect(422)).detail).toContain(
      'not a JPEG, PNG or WebP',
    );
    expect(problemOf(await ama.post(`/api/rigs/${rig}/photos`, {}).expect(422)).detail).toContain('choose a JPEG');
  });

  it('are seen by staff of the shop alone, and can be erased', async () => {
    const { id } = (await send(await plain(30, 30).jpeg().toBuffer()).expect(200)).body as AddedPhoto;
    await (await shop()).nobody().get(`/api/rigs/${rig}/photos/${id}`).expect(401);
    await ama.remove(`/api/rigs/${rig}/photos/${id}`).expect(200);
    await ama.get(`/api/rigs/${rig}/photos/${id}`).expect(404);
  });
});
