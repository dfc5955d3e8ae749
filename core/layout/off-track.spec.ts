import { TOLVANE } from '../../demo/index';
import { fairHull } from '../boat/hull';
import type { Place } from '../rig';
import { partOf } from '@plain-cleat/testing/plans';
import { offTrack, seated } from './index';

describe('arrows and a track', () => {
  const hull = fairHull(TOLVANE);
  const [own] = TOLVANE.tracks;
  const middle = own ? (own.fore + own.aft) / 2 : 0;
  const on = (x: number): Place => ({ on: 'track', track: own?.id ?? '', x, heading: 0 });

  it('slide along it, leave it past its end or across, and do not seat again at once', () => {
    expect(offTrack(hull, on(middle), 5, 0)).toEqual(on(middle + 5));
    for (const [dx, dy] of [
      [1500, 0],
      [-1500, 0],
      [0, 1],
      [0, -1],
    ] as const) {
      const off = offTrack(hull, on(middle), dx, dy);
      expect(off.on).toBe('deck');
      expect(seated(hull, partOf('bottle-holder'), off).on).toBe('deck');
    }
  });
});
