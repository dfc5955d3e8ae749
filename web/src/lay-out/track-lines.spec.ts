import { Component, computed, inject } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Part } from '@plain-cleat/core/parts/parts';
import type { Plan } from '@plain-cleat/core/rig';
import { RigStore } from '../stores/rig.store';
import { OpenRig } from '../testing/open-rig';
import { TEST_PART, TEST_PARTS, testPlan } from '../testing/rig';
import { Moves } from './moves';
import { TrackLines } from './track-lines';

const TRACK: Part = {
  ...TEST_PART,
  id: 'slot-track',
  name: 'Slot track',
  kind: 'track',
  body: {
    ...TEST_PART.body,
    base: { length: 600, width: 25, thickness: 6 },
    solids: [{ name: 'track', u: [-300, 300], v: [-12, 12], w: [0, 10] }],
  },
  holes: { at: [-270, 0, 270].map((u) => ({ u, v: 0 })), thread: 'M6', rivet: '64' },
  holding: {
    ...TEST_PART.holding,
    ways: ['through', 'rivet'],
    trackBolts: 0,
    slot: { opening: 8.2, depth: 11, thread: 'M6' },
    usual: { newtons: 150, height: 1 },
  },
  sold: { ...TEST_PART.sold, cutFrom: { stock: 'track-bar', length: 600 } },
};

@Component({
  imports: [TrackLines],
  template: `@if (store.state(); as s) {
    @if (track(); as i) {
      <pc-track-lines [item]="i" [state]="s" (changed)="store.change($event)" />
    }
  }`,
})
class Page {
  protected readonly store = inject(RigStore);
  protected readonly track = computed(() => this.store.state()?.workup.aboard.items.find((i) => i.placed.id === 't'));
}

const plan = (): Plan => {
  const start = testPlan();
  const base = { lift: 0, suppliedBy: 'shop', note: '' } as const;
  return {
    ...start,
    fittings: {
      t: {
        ...base,
        part: 'slot-track',
        place: { on: 'deck', x: 1500, y: 0, heading: 0 },
        mount: { hold: 'through', plate: false, reason: '' },
      },
      b: {
        ...base,
        part: 'box',
        place: { on: 'fitting', fitting: 't', u: 100, v: 0, heading: 0 },
        mount: { hold: 'track', plate: false, reason: '' },
      },
    },
  };
};
const show = () => OpenRig.show(Page, plan(), { catalog: { parts: [...TEST_PARTS, TRACK], consumables: [] } });

describe('a screwed-on track', () => {
  it('says its holes, how it lies, what its heat wants and what rides where', async () => {
    const rig = await show();
    expect(rig.text).toContain('3, 10 5/8 in apart');
    expect(rig.text).toContain('flat');
    expect(rig.text).toContain('slot');
    expect(rig.text).toContain('Box15 3/4 in from its forward end');
  });

  it('is cut to a length; its holes follow', async () => {
    const rig = await show();
    const cut = (text: string): Promise<void> => rig.enter('Cut to', text);
    await cut('short');
    expect(rig.faultOf('Cut to')).toContain('is not a length');
    await cut('2');
    expect(rig.faultOf('Cut to')).toContain('From 3 15/16 in to 96 1/16 in.');
    await cut('16');
    expect(rig.sentChanges()).toEqual([
      jasmine.objectContaining({ kind: 'cutTrack', item: 't', from: null, to: 406.4 }) as never,
    ]);
    expect(rig.store.state()?.workup.drilling.holes.length).toBe(5);
    await rig.click('button', 'As sold');
    expect(rig.store.state()?.workup.drilling.holes.length).toBe(3);
  });

  it('takes a part with T-bolts dragged near it, and lets it go again', async () => {
    const rig = await show();
    const moves = TestBed.runInInjectionContext(() => new Moves());
    moves.drag({ id: 'b', x: 1400, y: 20, done: true }, new Set());
    expect(rig.store.state()?.plan.fittings.b?.place).toEqual(
      jasmine.objectContaining({ on: 'fitting', fitting: 't', v: 0 }) as never,
    );
    moves.drag({ id: 'b', x: 1000, y: 200, done: true }, new Set());
    expect(rig.store.state()?.plan.fittings.b?.place.on).toBe('deck');
  });
});
