import { gaugeWords, RETURN_COLOUR, type Awg, type Power, type WireColour, type WireRules } from '../circuits';
import type { Stud } from '../../parts/parts';
import type { Feeding, GuardKind } from '../../rig';
import type { UnitSystem } from '../../base/units';
import type { Laid } from './run';

/** What is crimped on an end; the contact of a plug comes with its plug. */
type Terminal = 'ring' | 'ferrule' | 'butt joint' | 'plug contact';

/** Where an end goes: a pole or a way of a fitting, or one side of the holder or breaker in its own conductor. */
export type EndAt =
  | { readonly is: 'pole'; readonly fitting: string; readonly pole: '+' | '−' }
  | { readonly is: 'way'; readonly fitting: string; readonly way: number }
  | { readonly is: 'guard'; readonly fitting: string; readonly kind: GuardKind; readonly side: 'in' | 'out' };

/** One end of one conductor: what is crimped on, for which stud, with which jaws, under which heat-shrink. */
export interface End {
  readonly at: EndAt;
  readonly colour: WireColour;
  readonly terminal: Terminal;
  /** The stud that a ring goes over, mm of thread; null for what is no ring. */
  readonly stud: Stud | null;
  /** The jaws of the crimping tool, by the colours insulated terminals are sold in, or the lug's gauge. */
  readonly die: string;
  /** Adhesive heat-shrink before it shrinks, mm. */
  readonly shrink: number;
}

/** What conductors a cable has, and the colour of what goes out. */
interface Conductors {
  readonly has: Feeding;
  readonly colour: WireColour;
}

/** The conductors of a cable with their colours and the poles they join. */
export function conductorsOf({ has, colour }: Conductors): readonly {
  readonly colour: WireColour;
  readonly from: '+' | '−';
  readonly to: '+' | '−';
}[] {
  const out = { colour, from: '+', to: '+' } as const;
  const back = { colour: RETURN_COLOUR, from: '−', to: '−' } as const;
  if (has === 'series') return [{ colour: 'red', from: '+', to: '−' }];
  return has === 'both' ? [out, back] : [has === 'plus' ? out : back];
}

/** What a stud is called where threads are inches (sizes of ring terminals as sold, from memory). */
const IN_INCHES: Readonly<Record<Stud, string>> = { 4: '#8', 5: '#10', 6: '1/4 in', 8: '5/16 in', 10: '3/8 in' };

/** A stud in one unit system: M6, 1/4 in. */
export const studWords = (stud: Stud, units: UnitSystem): string => (units === 'metric' ? `M${stud}` : IN_INCHES[stud]);

/** Batteries of more have M8 posts, the others M6 (common practice, no source), Ah. */
const SMALL_BATTERY = 60;
/** The main studs of what passes on so much, A (common practice, no source). */
const MAIN_STUDS: readonly (readonly [amps: number, stud: Stud])[] = [
  [30, 5],
  [100, 6],
  [Infinity, 10],
];
/** Of what stands in a conductor (makers' data sheets, from memory); a blade fuse's holder has tails. */
const GUARD_STUDS: Readonly<Record<GuardKind, Stud | null>> = {
  'blade fuse': null,
  breaker: 6,
  'strip fuse': 8,
  'class T fuse': 8,
};
/** The screw of one way of several; a switch hands on over a stud like the one it is fed by (common practice, no source). */
const WAY_STUD: Stud = 4;

/** Wire of this gauge and thinner goes under a box's screw in a ferrule, thicker as a ring (common practice, no source). */
const FERRULE_FROM: Awg = 10;

/** The studs of a part's poles, as its maker states them or as is usual; null for a load that has none and is joined. */
function polesOf(power: Power | undefined): Stud | null {
  if (power?.stud) return power.stud;
  if (power?.battery) return power.battery.ampHours > SMALL_BATTERY ? 8 : 6;
  const { amps } = power?.passes ?? {};
  return amps === undefined ? null : (MAIN_STUDS.find(([most]) => amps <= most)?.[1] ?? null);
}

const wayStud = (power: Power | undefined): Stud => ((power?.passes?.ways ?? 1) > 1 ? WAY_STUD : (polesOf(power) ?? WAY_STUD));

/** Jaws and heat-shrink for a gauge (insulated terminals' colours; common practice, no source). */
function crimped(awg: Awg, series: WireRules['series']): Pick<End, 'die' | 'shrink'> {
  return {
    die: awg >= 16 ? 'red' : awg >= 14 ? 'blue' : awg >= 10 ? 'yellow' : `${gaugeWords(awg, series)} lug`,
    shrink: awg >= 14 ? 6 : awg >= 10 ? 9 : awg >= 6 ? 12 : 19,
  };
}

/** What the ends of one cable follow from. */
export interface EndsInput {
  readonly run: Conductors &
    Pick<Laid, 'given' | 'there'> & {
      readonly from: string;
      readonly to: string;
      readonly way: number | null;
      readonly awg: Awg | null;
    };
  readonly powerOf: (fitting: string) => Power | undefined;
  /** What stands in the conductor itself. */
  readonly guards: readonly { readonly fitting: string; readonly kind: GuardKind }[];
  readonly series: WireRules['series'];
}

/**
 * Every end of a cable that is crimped, conductor by conductor: rings over posts and studs, ferrules under screws, a joint at a
 * load unless it has a plug, and both sides of each holder and breaker that stands in it. What lies as it lay has none, and what
 * comes with its part none at that part.
 */
export function endsOf({ run, powerOf, guards, series }: EndsInput): readonly End[] {
  const { awg, from, to, way } = run;
  if (awg === null || run.there) return [];
  const ring = (stud: Stud): Pick<End, 'terminal' | 'stud'> => ({ terminal: 'ring', stud });
  const bare = (terminal: Terminal): Pick<End, 'terminal' | 'stud'> => ({ terminal, stud: null });
  const screwed = (stud: Stud): Pick<End, 'terminal' | 'stud'> => (awg >= FERRULE_FROM ? bare('ferrule') : ring(stud));
  const atPole = (fitting: string): Pick<End, 'terminal' | 'stud'> => {
    const power = powerOf(fitting);
    const stud = polesOf(power);
    if (stud !== null) return power?.passes ? screwed(stud) : ring(stud);
    return bare(power?.plug ? 'plug contact' : 'butt joint');
  };
  const inGuard = (kind: GuardKind): Pick<End, 'terminal' | 'stud'> => {
    const stud = GUARD_STUDS[kind];
    return stud === null ? bare('butt joint') : ring(stud);
  };
  return conductorsOf(run).flatMap(({ colour, from: out, to: into }): End[] => {
    const end = (at: EndAt, terminal: Pick<End, 'terminal' | 'stud'>): End => ({
      ...{ at, colour },
      ...terminal,
      ...crimped(awg, series),
    });
    const leaves =
      way !== null && out === '+'
        ? end({ is: 'way', fitting: from, way }, screwed(wayStud(powerOf(from))))
        : end({ is: 'pole', fitting: from, pole: out }, atPole(from));
    const held =
      out === '−'
        ? []
        : guards.flatMap(({ fitting, kind }) =>
            (['in', 'out'] as const).map((side) => end({ is: 'guard', fitting, kind, side }, inGuard(kind))),
          );
    const arrives = run.given === 'with its part' ? [] : [end({ is: 'pole', fitting: to, pole: into }, atPole(to))];
    return [leaves, ...held, ...arrives];
  });
}

/** The ends that a terminal is bought for: a plug's contacts come with it. */
export const terminalsOf = (ends: readonly Pick<End, 'terminal'>[]): number =>
  ends.filter((e) => e.terminal !== 'plug contact').length;
