import { breaksAt, cordWords, CORD_TRAITS, KNOTTED, THICKNESSES, USES, type Led, type LedLine } from '../../lines';
import { entryOf, lineWith, type Line } from '../../rig';
import { asHung, kg, longMm, mm, say, type Sentence, over, under } from '../../base/units';
import { check } from './check';
import type { Judged, Raw, Try } from './finding';

/** A cord with a knot in it breaks at so many times what is asked of it at the least (judgement: six times without the knot). */
const SAFE = 3;
/** What one hand pulls, seated, the back against something: EN 1005-3, 225 N (from memory). */
export const PULLS = 225;
/** A cord wears where it turns so much over the hull in all, rad (judgement). */
const RUBS = 0.17;
/** Under so little nothing wears, N (judgement). */
const SLACK = 40;

/** The fields most findings about a line share. */
export const aboutLine = (
  { id, led, path }: Pick<LedLine, 'id' | 'led' | 'path'>,
  fixable = false,
): Pick<Raw, 'where' | 'letter' | 'x' | 'fixable' | 'step'> => ({
  where: id,
  letter: led.find((l) => l.letter)?.letter ?? '',
  x: path[0]?.x ?? 0,
  fixable,
  step: 'wire',
});

/** The way out of something else of a line. */
export function tryLine({ plan }: Judged, line: string, more: Partial<Line>, says: Sentence): Try[] {
  const from = entryOf(plan.lines, line);
  return from ? [{ says, changes: [{ kind: 'leadLine', line, from, to: lineWith(from, more) }] }] : [];
}

const placeOf = ({ letter, name }: Pick<Led, 'letter' | 'name'>): string => (letter ? `${letter}, ${name}` : name);

/** A line of the plan that could not be led. */
export const lineUnled = check({
  about: 'lines',
  finds: {
    'line-unled': { called: 'Line cannot be led', severity: 'stop', acceptedBy: 'nobody', since: 11 },
  },
  judge: ({ plan, lines, hull }) =>
    Object.entries(plan.lines).flatMap(([id, line]): Raw[] =>
      lines.some((l) => l.id === id)
        ? []
        : [
            {
              ...{ where: id, letter: '', x: hull.length / 2, fixable: false, step: 'wire', code: 'line-unled' },
              says: say`The ${line.use} is made fast to something that is not there.`,
              because: say`A point of it is worn, left unused, or has no eye, pulley or cleat any more. Lead it elsewhere.`,
            },
          ],
    ),
});

/** Too weak for what it holds. */
export const lineWeak = check({
  about: 'lines',
  finds: {
    'line-weak': { called: 'Line weak', severity: ['look', 'stop'], acceptedBy: 'manager', since: 11 },
  },
  judge: (judged) =>
    judged.lines.flatMap((l): Raw[] => {
      if (l.share * SAFE <= 1) return [];
      const { cord, tight } = l;
      const strong = THICKNESSES.filter((d) => breaksAt({ ...cord, diameter: d }) * KNOTTED >= SAFE * tight);
      return [
        {
          ...aboutLine(l, true),
          code: 'line-weak',
          severity: l.share > 1 ? 'stop' : 'look',
          measure: under(1 / l.share, 'times', SAFE),
          says: say`The ${l.line.use} is drawn with ${kg(asHung(tight))} and should bear ${SAFE} times that with a knot in it.`,
          because: say`${cordWords(cord)} breaks at ${kg(asHung(breaksAt(cord)))}; a knot leaves half of that.`,
          tries: strong
            .slice(0, 2)
            .flatMap((diameter) => tryLine(judged, l.id, { diameter }, say`Take ${cordWords({ ...cord, diameter })}`)),
        },
      ];
    }),
});

/** It pulls at a mount with more than that was fitted for. */
export const linePullsMount = check({
  about: 'lines',
  finds: {
    'line-tears-mount': { called: 'Line tears its mount out', severity: 'stop', acceptedBy: 'manager', since: 14 },
    'line-pulls-mount': { called: 'Line pulls hard at its mount', severity: 'look', since: 11 },
  },
  judge: ({ lines, owned, shop }) =>
    lines.flatMap((l) =>
      l.led.flatMap((place, i): Raw[] => {
        if (place.fitting !== null && place.fitting === l.line.carries) return [];
        if (l.line.through[i]?.at === 'ring') return [];
        const holding = owned.find((o) => o.placed.id === place.fitting)?.placed.part.holding;
        const bears = holding ? (holding.load?.newtons ?? holding.usual.newtons) : shop.limits.tieHolds;
        if (place.newtons <= bears || !Number.isFinite(place.newtons)) return [];
        // Past the shock it was reckoned with, it comes off.
        const tears = place.newtons > shop.holding.shock * bears;
        return [
          {
            ...aboutLine(l),
            ...{ x: place.at.x, letter: place.letter, detail: `${i}` },
            code: tears ? 'line-tears-mount' : 'line-pulls-mount',
            severity: tears ? 'stop' : 'look',
            measure: over(place.newtons, 'N', bears),
            says: say`The ${l.line.use} pulls at ${placeOf(place)} with ${kg(asHung(place.newtons))}.`,
            because: say`${place.fitting === null ? 'A tie point of the hull is taken to hold' : 'Its mount was reckoned for'} ${kg(asHung(bears))}${tears ? say`, and for ${shop.holding.shock} times that with shock` : ''}. ${tears ? 'A mount that bears it, a larger eye, or a line led so that it is drawn less.' : ''}`,
          },
        ];
      }),
    ),
});

/** What holds the boat, lifts or steers is no shock cord: it gives, and lets go. */
export const shockCordHolds = check({
  about: 'lines',
  finds: {
    'shock-cord-holds': { called: 'Held by shock cord alone', severity: 'stop', acceptedBy: 'manager', since: 14 },
  },
  judge: (judged) =>
    judged.lines.flatMap((l): Raw[] => {
      const { use, of } = l.line;
      if (of !== 'shock cord' || use === 'bungee') return [];
      const { cord } = USES[use];
      return [
        {
          ...aboutLine(l, true),
          code: 'shock-cord-holds',
          says: say`The ${use} is shock cord.`,
          because: say`It stretches to twice its length, holds nothing and springs back at whoever lets go of it. ${cordWords(cord)} does.`,
          tries: tryLine(judged, l.id, { of: cord.of, diameter: cord.diameter }, say`Take ${cordWords(cord)}`),
        },
      ];
    }),
});

/** Too thick for an eye, a sheave or a cleat. */
export const lineTooThick = check({
  about: 'lines',
  finds: {
    'line-too-thick': { called: 'Line too thick', severity: 'stop', since: 11 },
  },
  judge: (judged) =>
    judged.lines.flatMap((l): Raw[] => {
      const tightest = l.led.reduce<Led | null>((a, b) => (a && a.lead.takes <= b.lead.takes ? a : b), null);
      if (!tightest || l.line.diameter <= tightest.lead.takes) return [];
      const fits = THICKNESSES.filter((d) => d <= tightest.lead.takes).at(-1);
      return [
        {
          ...aboutLine(l, true),
          ...{ x: tightest.at.x, code: 'line-too-thick' },
          measure: over(l.line.diameter, 'mm', tightest.lead.takes),
          says: say`The ${l.line.use} is ${mm(l.line.diameter - tightest.lead.takes, 'up')} too thick for ${placeOf(tightest)}.`,
          because: say`That takes ${mm(tightest.lead.takes, 'down')} at the most.`,
          tries:
            fits === undefined
              ? []
              : tryLine(judged, l.id, { diameter: fits }, say`Take ${cordWords({ ...l.cord, diameter: fits })}`),
        },
      ];
    }),
});

/** What is let go on the water ends at what lets go; what is lifted ends at what holds. */
export const lineEnds = check({
  about: 'lines',
  finds: {
    'no-quick-release': { called: 'Line without a quick release', severity: ['look', 'stop'], acceptedBy: 'manager', since: 11 },
    'line-no-cleat': { called: 'Line without a cleat', severity: 'look', since: 11 },
  },
  judge: ({ lines }) =>
    lines.flatMap((l): Raw[] => {
      const end = l.led.at(-1);
      const { use } = l.line;
      if (!end) return [];
      const held = end.lead.as === 'cleat' || end.lead.as === 'jam cleat' || end.lead.as === 'reel';
      if (l.held && end.lead.as !== 'jam cleat' && end.lead.as !== 'reel')
        return [
          {
            ...aboutLine(l),
            ...{ x: end.at.x, code: 'no-quick-release', severity: use === 'anchor line' ? 'stop' : 'look' },
            says: say`The ${use} ends at ${placeOf(end)} and cannot be let go at once.`,
            because: say`A boat held in a stream can capsize. End it at a jam cleat or a reel in reach, a knife beside it.`,
          },
        ];
      if (use === 'motor lift' && !held)
        return [
          {
            ...aboutLine(l),
            ...{ x: end.at.x, code: 'line-no-cleat' },
            says: say`The ${use} ends at ${placeOf(end)}, which holds nothing.`,
            because: say`What is lifted stays up by a cleat.`,
          },
        ];
      return [];
    }),
});

/** What is worked on the water is worked from the seat. */
export const lineReach = check({
  about: 'lines',
  ofBody: true,
  finds: {
    'line-out-of-hand': { called: 'Line out of reach', severity: ['look', 'stop'], since: 11 },
  },
  judge: ({ lines }) =>
    lines.flatMap((l): Raw[] => {
      const { use } = l.line;
      const moors = l.held !== null;
      const x = l.led.at(-1)?.at.x ?? 0;
      if (l.reached === 'out of reach' || (moors && l.reached !== 'at hand'))
        return [
          {
            ...aboutLine(l),
            ...{ x, code: 'line-out-of-hand', severity: moors && l.reached === 'out of reach' ? 'stop' : 'look' },
            says: say`The ${use} is worked ${l.reached === 'out of reach' ? 'out of reach' : 'only with a half turn'}.`,
            because: moors
              ? say`Whoever is held by it must let go at once, seated, without looking.`
              : say`Nobody leaves the seat for it on the water.`,
          },
        ];
      return [];
    }),
});

/** More than a hand pulls. */
export const lineHard = check({
  about: 'lines',
  finds: {
    'line-hard-to-pull': { called: 'Line hard to pull', severity: 'look', since: 11 },
  },
  judge: ({ lines }) =>
    lines.flatMap((l): Raw[] => {
      if (l.hand === null || l.hand <= PULLS) return [];
      const { use } = l.line;
      return [
        {
          ...aboutLine(l),
          code: 'line-hard-to-pull',
          measure: over(l.hand, 'N', PULLS),
          says: Number.isFinite(l.hand)
            ? say`The ${use} asks ${kg(asHung(l.hand))} of the hand.`
            : say`The ${use} cannot lift what it carries: it draws past the hinge.`,
          because: say`One hand pulls ${kg(asHung(PULLS))}, seated, the back supported. Lead it through more pulleys, or farther from the hinge.`,
        },
      ];
    }),
});

/** Where a cord wears over the hull. */
export const lineChafes = check({
  about: 'lines',
  finds: {
    'line-chafes': { called: 'Line chafes', severity: 'note', since: 11 },
  },
  judge: ({ lines }) =>
    lines.flatMap((l): Raw[] => {
      if (l.line.of === 'shock cord' || l.load < SLACK) return [];
      const turned = l.bears.reduce((sum, b) => sum + b.turns, 0);
      const [first, last] = [l.bears[0], l.bears.at(-1)];
      if (!first || !last || turned < RUBS) return [];
      const long = Math.hypot(last.at.x - first.at.x, last.at.y - first.at.y);
      return [
        {
          ...aboutLine(l),
          ...{ x: first.at.x, code: 'line-chafes' },
          measure: over((turned * 180) / Math.PI, '°', (RUBS * 180) / Math.PI),
          says: say`The ${l.line.use} rubs over the hull for ${longMm(long)}.`,
          because: say`It turns ${Math.round((turned * 180) / Math.PI)}° there and friction of ${CORD_TRAITS[l.line.of].rubs} takes its share. Look at it each season, or lead it by eyes.`,
        },
      ];
    }),
});
