import { type Choice, namedChoices } from '../controls/choice-field';
import type { QuestionId } from '@plain-cleat/core/proposals/brief';
import { type Brief, CARRIES, PROPULSION, WATERS, WORK } from '@plain-cleat/core/rig';
import { capital, type QuantityKind } from '@plain-cleat/core/base/units';
import { LIMITS } from '../seats/limits';

/** A part of a question that is answered by taps. */
export interface Taps {
  readonly kind: 'many' | 'one';
  readonly key: keyof Brief;
  readonly label: string;
  readonly of: readonly Choice<string | boolean>[];
}
/** A part that is typed. */
export interface Typed {
  readonly kind: QuantityKind;
  readonly key: keyof Brief;
  readonly label: string;
  /** Bounds in the quantity's base unit. */
  readonly least: number;
  readonly most: number;
  /** Left empty it is answered all the same. */
  readonly optional: boolean;
}
export type Part = Taps | Typed;

/** One row of the brief. */
export interface Question {
  readonly id: QuestionId;
  readonly name: string;
  readonly parts: readonly Part[];
}

const many = (key: keyof Brief, of: readonly string[], label = ''): Taps => ({
  kind: 'many',
  key,
  label,
  of: of.map((value) => ({ value, says: capital(value) })),
});
const one = (key: keyof Brief, of: readonly (readonly [string | boolean, string])[], label = ''): Taps => ({
  kind: 'one',
  key,
  label,
  of: namedChoices(of),
});
const typed = (
  kind: Typed['kind'],
  key: keyof Brief,
  label: string,
  { least, most }: { readonly least: number; readonly most: number },
  optional = false,
): Typed => ({ kind, key, label, least, most, optional });

const HANDS = [
  ['right', 'Right'],
  ['left', 'Left'],
] as const;

/** Every question, in the order a good front desk asks: water, work, who, how, the road, gear, money, holes, wires. */
export const QUESTIONS: readonly Question[] = [
  {
    id: 'waters',
    name: 'Water',
    parts: [many('waters', WATERS), typed('distance', 'distanceKm', 'Distance per day', LIMITS.distance)],
  },
  { id: 'work', name: 'Work', parts: [many('work', WORK)] },
  {
    id: 'paddler',
    name: 'Paddler',
    parts: [typed('stature', 'stature', 'Height', LIMITS.stature), typed('mass', 'weightKg', 'Weight', LIMITS.weight)],
  },
  {
    id: 'hand',
    name: 'Hands',
    parts: [one('hand', HANDS, 'uses'), one('castHand', HANDS, 'casts'), one('reelHand', HANDS, 'reels')],
  },
  {
    id: 'seat',
    name: 'Seat',
    parts: [
      one('seat', [
        ['low', 'Low'],
        ['high', 'High'],
        ['both', 'Low and high'],
      ]),
      one(
        'stands',
        [
          ['sits', 'Sits'],
          ['stands', 'Stands'],
          ['both', 'Both'],
        ],
        'and',
      ),
      typed('length', 'raise', 'Raised by', LIMITS.raise),
      typed('degrees', 'recline', 'Back leans', LIMITS.recline),
      typed('length', 'seatAt', 'Seat set at', LIMITS.seatAt, true),
      typed('length', 'feetAt', 'Pegs set at', LIMITS.feetAt, true),
    ],
  },
  { id: 'propulsion', name: 'Moves by', parts: [many('propulsion', PROPULSION), many('backUp', PROPULSION, 'backed up by')] },
  {
    id: 'stroke',
    name: 'Stroke',
    parts: [
      one('stroke', [
        ['low', 'Low'],
        ['high', 'High'],
      ]),
      typed('length', 'paddle', 'Paddle', LIMITS.paddle, true),
      one(
        'leash',
        [
          ['always', 'On a leash'],
          ['declined', 'Declined'],
        ],
        '',
      ),
    ],
  },
  {
    id: 'boats',
    name: 'Boat',
    parts: [
      one('boats', [
        ['one boat', 'One boat'],
        ['gear moves', 'Gear moves'],
      ]),
      one('borrowed', [
        [false, 'Their own'],
        [true, 'Borrowed'],
      ]),
    ],
  },
  {
    id: 'road',
    name: 'Road',
    parts: [
      one('road', [
        ['roof', 'Roof'],
        ['trailer', 'Trailer'],
        ['truck bed', 'Truck bed'],
      ]),
      one(
        'lifts',
        [
          ['two', 'Two lift it'],
          ['alone', 'Alone'],
        ],
        '',
      ),
    ],
  },
  {
    id: 'rods',
    name: 'Rods',
    parts: [
      typed('count', 'rods', 'How many', LIMITS.rods),
      typed('length', 'rodLength', 'Length of one', LIMITS.rod),
      one('cast', [
        ['none', 'No casting'],
        ['sidearm', 'Sidearm'],
        ['overhead', 'Overhead'],
        ['both', 'Both'],
      ]),
      one(
        'rodSide',
        [
          ['away', 'Away from the casting hand'],
          ['same', 'Same side'],
        ],
        'stand',
      ),
    ],
  },
  { id: 'carries', name: 'Carries', parts: [many('carries', CARRIES)] },
  {
    id: 'tier',
    name: 'Tier',
    parts: [
      one('tier', [
        ['bare', 'Bare'],
        ['working', 'Working'],
        ['everything', 'Everything'],
      ]),
      typed('money', 'budgetCents', 'Budget up to', LIMITS.budget, true),
    ],
  },
  {
    id: 'holes',
    name: 'Holes',
    parts: [
      one('holes', [
        ['none', 'None'],
        ['few', 'Few'],
        ['as needed', 'As needed'],
      ]),
    ],
  },
  {
    id: 'wires',
    name: 'Wires',
    parts: [
      one('wires', [
        ['inside', 'Inside'],
        ['outside', 'Outside'],
        ['pod', 'Lift-out pod'],
      ]),
    ],
  },
];
