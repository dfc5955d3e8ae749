import { kg, mm, say, type Sentence } from '../base/units';
import type { RigSet } from './plan';

type Sitting = NonNullable<NonNullable<RigSet['sits']>['first']>;

function said(who: string, one: Sitting | null | undefined): Sentence {
  if (one === null) return say`, nobody on the ${who}`;
  if (!one) return [];
  const { body, at, raise, recline } = one;
  return [
    ...say`, ${who}`,
    ...(body ? say` ${mm(body.stature)}, ${kg(body.weightKg)}` : []),
    ...(at === undefined ? [] : say` at ${mm(at)}`),
    ...(raise === undefined ? [] : say` raised ${mm(raise)}`),
    ...(recline === undefined ? [] : say` leaning ${recline}°`),
  ];
}

/** A set by its name, and who sits in it where that is another than in the brief. */
export const sitsWords = ({ name, sits }: RigSet): Sentence => [
  ...say`${name}`,
  ...said('seat', sits?.first),
  ...said('second seat', sits?.second),
];
