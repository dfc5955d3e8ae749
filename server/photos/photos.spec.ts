import type { AddedPhoto } from '@plain-cleat/api';
import sharp from 'sharp';
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
