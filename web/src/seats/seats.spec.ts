import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import type { Plan } from '@plain-cleat/core/rig';
import { filter, firstValueFrom, timer } from 'rxjs';
import { Hands } from '../lay-out/hands';
import { RigStore } from '../stores/rig.store';
import { OpenRig } from '../testing/open-rig';
import { on, TEST_HULL, TEST_PART, testPlan } from '../testing/rig';
import { SeatRange } from './seat-range';
import { WhoSits } from './who-sits';

const SLIDES = { ...TEST_HULL, seat: { ...TEST_HULL.seat, slide: { fore: 1550, aft: 1650 } } };
const withSet = (): Plan => ({ ...testPlan(), sets: { guest: { name: 'guest', order: 1 } } });

@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SeatRange, WhoSits, Hands],
  template: `
    @if (store.state(); as state) {
      @if (state.plan.sets['guest']) {
        <pc-who-sits [state]="state" of="guest" />
      } @else {
        <pc-seat-range [state]="state" />
        <pc-hands [state]="state" />
      }
    }
  `,
})
class Shown {
  protected readonly store = inject(RigStore);
}

describe('seats', () => {
  it('says where the seat goes and sets it there', async () => {
    const rig = await OpenRig.show(Shown, testPlan(), { hull: SLIDES });
    expect(rig.element.querySelector('mat-progress-bar')).not.toBeNull();
    await firstValueFrom(timer(0, 100).pipe(filter(() => rig.element.querySelector('pc-seat-range svg') !== null)));
    await rig.fixture.whenStable();
    expect(rig.text).toMatch(/All four are at their best with the seat/);
    expect(rig.text).toMatch(/aft puts the stern .* deeper/);
    const offers = [...rig.element.querySelectorAll('pc-seat-range button')];
    if (offers.length) await rig.click('pc-seat-range button');
    expect(rig.sentChanges().map((c) => c.kind)).toEqual(offers.length ? ['answerBrief'] : []);
  });

  it('says so where the seat does not slide', async () => {
    const rig = await OpenRig.show(Shown);
    expect(rig.text).toContain('does not slide');
  });

  it('a guest is a body of the set alone, once both figures are there, and goes again with them', async () => {
    const rig = await OpenRig.show(Shown, withSet(), { hull: SLIDES });
    await rig.enter('Guest’s height', `5' 3"`);
    expect(rig.text).toContain('The guest’s weight too.');
    expect(rig.sentChanges()).toEqual([]);
    await rig.enter('Guest’s weight', '120 lb');
    const [sent] = rig.sentChanges();
    expect(sent).toEqual(
      jasmine.objectContaining({
        kind: 'nameSet',
        from: { name: 'guest', order: 1 },
        to: { name: 'guest', order: 1, sits: { first: { body: { stature: 1600.2, weightKg: 54.4 } } } },
      }) as never,
    );
    await rig.enter('Guest’s height', '');
    await rig.enter('Guest’s weight', '');
    expect(rig.sentChanges().at(-1)).toEqual(jasmine.objectContaining({ to: { name: 'guest', order: 1 } }) as never);
  });

  it('where and how they sit is of the set too; what is left empty is as in the brief', async () => {
    const rig = await OpenRig.show(Shown, withSet(), { hull: { ...SLIDES, secondSeat: { x: 2300, low: 240, high: 300 } } });
    await rig.enter('Back leans', '20');
    await rig.click('mat-button-toggle-group button', 'Nobody');
    expect(rig.sentChanges().at(-1)).toEqual(
      jasmine.objectContaining({ to: { name: 'guest', order: 1, sits: { first: { recline: 20 }, second: null } } }) as never,
    );
    await rig.enter('Back leans', '50');
    expect(rig.faultOf('Back leans')).toContain('45');
  });

  it('a guest has hands of their own, and takes them back', async () => {
    const rig = await OpenRig.show(Shown, withSet(), { hull: SLIDES });
    await rig.choose('Casts with', 'left');
    expect(rig.sentChanges().at(-1)).toEqual(
      jasmine.objectContaining({ to: { name: 'guest', order: 1, sits: { first: { castHand: 'left' } } } }) as never,
    );
    await rig.choose('Casts with', 'as in the brief');
    expect(rig.sentChanges().at(-1)).toEqual(jasmine.objectContaining({ to: { name: 'guest', order: 1 } }) as never);
  });
});

describe('hands', () => {
  it('are told activity by activity, each with what it has', async () => {
    const throttle = {
      ...TEST_PART,
      id: 'throttle',
      name: 'Throttle',
      control: { does: 'sets the speed', french: 'règle la vitesse', held: ['motoring' as const], touched: [] },
    };
    const plan = { ...testPlan(), fittings: { t: on('throttle', 1500, -200, 'loose') } };
    const rig = await OpenRig.show(
      Shown,
      { ...plan, brief: { ...plan.brief, propulsion: ['motor'] } },
      {
        catalog: { parts: [throttle], consumables: [] },
      },
    );
    expect(rig.find('.hand.port').textContent).toContain('A Throttle');
    expect(rig.find('.hand.star').textContent).toContain('free');
    expect(rig.text).toContain('A, sets the speed');
  });
});
