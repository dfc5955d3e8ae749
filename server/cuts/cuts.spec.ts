import { randomUUID } from 'node:crypto';
import type { Cuts, SaveCuts } from '@plain-cleat/api';
import { deck, fitted } from '@plain-cleat/testing';
import { type Person, problemOf, shop } from '../testing/shop';

describe('cut plans', () => {
  let idris: Person;
  let number: string;
  const cuts = async (): Promise<Cuts> => (await idris.get('/api/cuts').expect(200)).body as Cuts;
  const keep = (body: Partial<SaveCuts>) => idris.post('/api/cuts', { pieces: [], used: [], left: [], ...body });

  beforeAll(async () => {
    idris = await (await shop()).signIn('idris');
    const made = await idris
      .post('/api/rigs', {
        title: 'tracks',
        owner: { name: 'Track Owner', email: '' },
        hull: 'tolvane-118',
        serial: '',
        promised: null,
      })
      .expect(200);
    const { id, number: called } = made.body as { id: string; number: string };
    number = called;
    const put = async (item: string, part: string, x: number, plate: boolean, version: number): Promise<void> => {
      const mount = { hold: plate ? 'through' : 'rivet', plate, reason: '' } as const;
      const to = fitted(part, deck(x, 60), mount.hold, { mount });
      const change = { id: randomUUID(), kind: 'placeItem', item, to };
      await idris.post(`/api/rigs/${id}/changes`, { baseVersion: version, change, undoes: null }).expect(200);
    };
    await put('t', 'slot-track-24', 1300, false, 0);
    await put('m', 'rod-tube-raised', 3230, true, 1);
    await put('b', 'battery-18', 2900, false, 2);
    await put('l', 'mast-light', 3400, false, 3);
    const run = { from: 'b', to: 'l', lane: 'outside port', via: [], awg: 16 };
    const change = { id: randomUUID(), kind: 'routeRun', run: 'feed', from: null, to: run };
    await idris.post(`/api/rigs/${id}/changes`, { baseVersion: 4, change, undoes: null }).expect(200);
  });

  it('collect what rigs want; what was cut is not wanted again; what is left lies on the shelf until it is used, once', async () => {
    const now = await cuts();
    const own = [...now.bars, ...now.plates].filter((p) => p.id.startsWith(`${number}.`));
    expect(own.map((p) => p.id)).toEqual([`${number}.t.610`, jasmine.stringMatching(/\.m\.\d+x\d+$/) as never]);
    expect(now.plates.find((p) => p.id.startsWith(number))?.holes.length).toBe(4);
    expect(now.kerf).toBe(3);

    const piece = `${number}.t.610`;
    const after = (await keep({ pieces: [piece], left: [{ stock: 'track-bar', length: 1827, width: 0 }] }).expect(200))
      .body as Cuts;
    expect(after.bars.some((b) => b.id === piece)).toBeFalse();
    const remnant = after.remnants.find((r) => r.stock === 'track-bar');
    expect(remnant?.length).toBe(1827);
    const plate = after.plates.find((p) => p.id.startsWith(number))?.id ?? '';
    expect(problemOf(await keep({ pieces: [piece] }).expect(422)).field).toBe('pieces.0');
    expect(problemOf(await keep({ pieces: [plate], used: ['gone'] }).expect(422)).detail).toContain('no longer on the shelf');
    // Half-saved nothing: the plate is still wanted.
    expect((await cuts()).plates.some((p) => p.id === plate)).toBeTrue();
    const used = (await keep({ pieces: [plate], used: [remnant?.id ?? ''] }).expect(200)).body as Cuts;
    expect(used.remnants.filter((r) => r.stock === 'track-bar')).toEqual([]);
    expect(problemOf(await keep({ pieces: ['x'], left: [] }).expect(422)).field).toBe('pieces.0');
  });

  it('take wires off reels by gauge and colour; what is left of a reel lies open on the shelf', async () => {
    const now = await cuts();
    const own = now.reels.filter((p) => p.id.startsWith(`${number}.`));
    expect(own.map((p) => p.stock).sort()).toEqual(['wire-16-black', 'wire-16-dark-grey']);
    const [one] = own;
    const reel = now.stocks.find((s) => s.id === one?.stock);
    expect([reel?.kind, reel?.length]).toEqual(['reel', 30_480]);
    const left = [{ stock: one?.stock ?? '', length: 30_480 - (one?.length ?? 0), width: 0 }];
    const after = (await keep({ pieces: [one?.id ?? ''], left }).expect(200)).body as Cuts;
    expect(after.reels.some((p) => p.id === one?.id)).toBeFalse();
    expect(after.remnants.map((r) => r.stock)).toEqual([one?.stock ?? '']);
    // What lies open has its name, though nobody wants any of it.
    expect(after.stocks.find((s) => s.id === one?.stock)?.name).toContain('16 AWG');
    expect(
      problemOf(await keep({ pieces: [own[1]?.id ?? ''], left: [{ ...left[0], stock: 'wire-99-red' }] as never }).expect(422))
        .field,
    ).toBe('left.0.stock');
  });
});
