import { SHOP, TOLVANE } from '../../../demo/index';
import type { Brief } from '../../rig';
import { deck, fitted, inputOf } from '@plain-cleat/testing/plans';
import { tell } from '../../base/units';
import { workUp } from '../../workup';
import { BRIEF_QUESTIONS, consequenceOf, type QuestionId } from './index';

const of = (brief: Partial<Brief>, question: QuestionId, shop = SHOP): { says: string; look: boolean } => {
  const input = inputOf({
    box: fitted('crate-open', deck(2680, 0), 'loose'),
    net: fitted('net-socket', deck(2850, 250), 'through'),
  });
  const plan = { ...input.plan, brief: { ...input.plan.brief, ...brief } };
  const { says, look = false } = consequenceOf(question, { plan, workup: workUp({ ...input, plan, shop }), hull: TOLVANE, shop });
  return { says: tell(says, 'imperial'), look };
};

describe('what an answer of the brief changes', () => {
  it('warns where the answer costs something', () => {
    expect(of({ weightKg: 240 }, 'paddler').look).toBeTrue();
    expect(of({ budgetCents: 100 }, 'tier').look).toBeTrue();
    expect(of({ budgetCents: 10_000_000 }, 'tier').says).toContain('left');
    expect(of({ borrowed: true }, 'boats')).toEqual({
      says: jasmine.stringContaining('nothing is drilled') as never,
      look: true,
    });
    expect(of({ second: { stature: 1700, weightKg: 70 } }, 'second').look).toBeTrue();
    expect(of({ castHand: 'left' }, 'hand').says).toContain('behind the left shoulder');
    expect(of({ waters: ['night'] }, 'waters').says).toContain('white light');
  });

  it('says who lifts it to a roof by the shop’s own limit, and by what stays on it', () => {
    const lifting = (aloneKg: number, lifts: Brief['lifts']): { says: string; look: boolean } =>
      of({ road: 'roof', lifts }, 'road', { ...SHOP, limits: { ...SHOP.limits, aloneKg } });
    // A hull of 31 kg with nothing heavy on it.
    expect(lifting(20.4, 'alone')).toEqual({ says: jasmine.stringContaining('two people') as never, look: true });
    expect(lifting(20.4, 'two').look).toBeFalse();
    expect(lifting(60, 'alone').says).toContain('one can lift it');
  });

  it('says something for every question, in the reader’s units', () => {
    for (const q of BRIEF_QUESTIONS) if (q !== 'later') expect(of({}, q).says.length).withContext(q).toBeGreaterThan(5);
    expect(of({}, 'later').says).toBe('');
    expect(of({}, 'paddler').says).toMatch(/ in.* lb/);
  });
});
