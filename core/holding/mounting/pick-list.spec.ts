import { SHOP } from '../../../demo/index';
import { deck, fitted, inputOf } from '@plain-cleat/testing/plans';
import { workUp } from '../../workup';
import { pickList } from './index';

describe('the pick list', () => {
  it('counts by name over the rig, with washers, nuts, and spares: one in ten, one at the least', () => {
    const clip = (x: number) => ({ ...fitted('paddle-clip', deck(x, 150), 'through') });
    const eyes = Object.fromEntries(
      Array.from({ length: 8 }, (_, i) => [`e${i}`, fitted('pad-eye', deck(2500 + i * 60, 0), 'rivet')]),
    );
    const w = workUp(inputOf({ a: clip(950), b: clip(1050), ...eyes }));
    const [rivets] = pickList(w.aboard.owned, SHOP).filter((p) => p.what.startsWith('Rivet'));
    expect([rivets?.count, rivets?.spares]).toEqual([16, 2]);
    const bolts = w.aboard.owned[0]?.mounted;
    const all = new Map(pickList(w.aboard.owned, SHOP).map((p) => [p.what, [p.count, p.spares]]));
    const clips = 2 * (bolts?.count ?? 0);
    expect(all.get(bolts?.fastener ?? '')).toEqual([clips, 1]);
    expect(all.get(`Washer ${bolts?.thread?.name}`)).toEqual([clips, 1]);
    expect(all.get(`Lock nut ${bolts?.thread?.name}`)).toEqual([clips, 1]);
  });

  it('has plates as they are cut, without spares, and nothing for what is set in place', () => {
    const tube = {
      ...fitted('rod-tube-raised', deck(970, 150), 'through'),
      mount: { hold: 'through' as const, plate: true, reason: '' },
    };
    const list = pickList(workUp(inputOf({ t: tube, c: fitted('crate-open', deck(2700, 0), 'loose') })).aboard.owned, SHOP);
    expect(list.find((p) => p.what.startsWith('Backing plate'))).toEqual({ what: 'Backing plate, cut', count: 1, spares: 0 });
    expect(list.length).toBe(4);
  });
});
