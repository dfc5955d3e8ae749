import { z } from 'zod';
import { assemblySchema, changeSchema, savedFactSchema, planSchema } from '../../rig';
import { ofOwner, ofShop, unmarked, withoutOwner } from './texts';

describe('texts of a schema', () => {
  // Whoever adds a text field says whose words stand in it.
  for (const [name, schema] of Object.entries({ planSchema, changeSchema, savedFactSchema, assemblySchema }))
    it(`of ${name} are the owner’s or the shop’s, every one`, () => expect(unmarked(schema)).toEqual([]));

  const schema = z.object({
    id: z.uuid(),
    title: ofOwner(z.string().min(1).max(20), 'a rig'),
    note: ofOwner(z.string().max(9)),
    short: ofOwner(z.string().min(1).max(3)),
    by: ofShop(z.string()),
    of: z.union([
      z.object({ is: z.literal('a'), says: ofOwner(z.string().min(3)) }),
      z.object({ is: z.literal('b'), free: z.string() }),
    ]),
    lists: z.record(z.string(), z.array(ofOwner(z.string()).nullable())).optional(),
  });

  it('that nobody marked are named by their path', () => {
    expect(unmarked(schema)).toEqual(['/of/free']);
    expect(unmarked(z.object({ a: z.iso.date(), b: z.string().regex(/x/), c: z.enum(['y']) }))).toEqual([]);
    // A step more on a marked field is another field.
    expect(unmarked(z.object({ a: ofOwner(z.string()).max(3) }))).toEqual(['/a']);
  });

  it('of the owner are overwritten so that the value holds together; everything else stays', () => {
    const value = {
      ...{ id: '00000000-0000-4000-8000-000000000001', title: 'Perpetua', note: 'hers', short: 'abc', by: 'Tom' },
      of: { is: 'a' as const, says: 'she said' },
      lists: { k: ['x', null] },
    };
    const after = withoutOwner(schema, value);
    expect(after).toEqual({
      ...{ id: value.id, title: 'a rig', note: '', short: 'fo', by: 'Tom' },
      of: { is: 'a', says: 'forgotten' },
      lists: { k: ['', null] },
    });
    expect(schema.safeParse(after).success).toBeTrue();
    const kept = z.intersection(
      z.discriminatedUnion('kind', [
        z.strictObject({ kind: z.literal('said'), says: ofOwner(z.string()) }),
        z.strictObject({ kind: z.literal('done'), step: z.string().regex(/x/) }),
      ]),
      z.object({ by: ofShop(z.string()) }),
    );
    expect(withoutOwner(kept, { kind: 'said', says: 'hers', by: 'Tom' })).toEqual({ kind: 'said', says: '', by: 'Tom' });
    expect(withoutOwner(schema, { strange: 'kept' })).toEqual({ strange: 'kept' });
  });
});
