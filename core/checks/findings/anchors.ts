import type { LedLine } from '../../lines';
import { BREAKS, entryOf, type Ground } from '../../rig';
import { asHung, kg, kmh, longMm, over, say, under, type Sentence } from '../../base/units';
import { aboutLine, PULLS, tryLine } from './lines';
import { check } from './check';
import type { Judged, Raw } from './finding';

/** From such a stream on a boat that lies across it can be rolled over (judgement), km/h. */
const ROLLS = 1.5;
/** It lies across it between these headings, degrees (judgement). */
const ACROSS = [40, 140] as const;
/** Less scope than this hardly digs an anchor in (common practice, no source). */
const LEAST_SCOPE = 5;

const anchors = (judged: Judged): { l: LedLine; held: NonNullable<LedLine['held']> }[] =>
  judged.lines.flatMap((l) => (l.line.use === 'anchor line' && l.held ? [{ l, held: l.held }] : []));

const MUCH = (pulled: number, { stream, wind }: Ground): Sentence =>
  say`At ${kmh(stream)} of stream and ${kmh(wind)} of wind the boat pulls ${kg(asHung(pulled))} at the most; what an anchor holds is a guess.`;

/** Too light for the wind and the stream it is meant for. */
export const anchorLight = check({
  about: 'lines',
  ofBody: true,
  finds: {
    'anchor-light': { called: 'Anchor light for the boat and the water', severity: 'look', since: 11 },
  },
  judge: (judged) =>
    anchors(judged).flatMap(({ l, held: { kg: own, wantedKg } }): Raw[] =>
      own === null || own >= wantedKg - 0.01
        ? []
        : [
            {
              ...aboutLine(l),
              code: 'anchor-light',
              measure: under(own, 'kg', wantedKg),
              says: say`The anchor is ${kg(wantedKg - own)} lighter than wind and stream ask.`,
              because: say`An anchor of ${kg(1.36)} in still water, ${kg(2.27)} as a rule, ${kg(4.54)} in wind or a stream: common practice.`,
            },
          ],
    ),
});

/** It holds less than the boat pulls: the boat drags it along. */
export const anchorDrags = check({
  about: 'lines',
  ofBody: true,
  finds: {
    'anchor-drags': { called: 'Anchor drags in the stream it is for', severity: 'look', since: 14 },
  },
  judge: (judged) =>
    anchors(judged).flatMap(({ l, held: { holds, ground, lies } }): Raw[] => {
      const pulled = Math.max(...lies.map((one) => one.newtons));
      if (holds === null || holds >= pulled) return [];
      return [
        {
          ...aboutLine(l),
          code: 'anchor-drags',
          measure: over(pulled, 'N', holds),
          says: say`The boat pulls ${kg(asHung(pulled))}; on ${ground.bottom} the anchor holds about ${kg(asHung(holds))}: it drags.`,
          because: say`${MUCH(pulled, ground)} A heavier anchor, more line, or another bottom.`,
        },
      ];
    }),
});

/** Too little line for the depth. */
export const anchorShort = check({
  about: 'lines',
  finds: {
    'anchor-short': { called: 'Anchor line short for the depth', severity: 'look', since: 11 },
  },
  judge: (judged) =>
    anchors(judged).flatMap(({ l, held }): Raw[] =>
      held.scope >= LEAST_SCOPE
        ? []
        : [
            {
              ...aboutLine(l, true),
              code: 'anchor-short',
              measure: under(held.scope, 'times', LEAST_SCOPE),
              says: say`The anchor line is ${longMm((held.rode * LEAST_SCOPE) / held.scope - held.rode)} short of ${LEAST_SCOPE} times the depth.`,
              because: say`${longMm(held.rode)} overboard is ${held.scope.toFixed(1)} times. Under ${LEAST_SCOPE} times an anchor lifts instead of digging in, and the bow is pulled down.`,
              tries: tryLine(judged, l.id, { rode: undefined }, say`As much as the depth asks`),
            },
          ],
    ),
});

/** Where a fouled anchor is to break away by a cable tie: stronger than the boat pulls, weaker than a hand. */
export const breakAway = check({
  about: 'lines',
  finds: {
    'break-away': { called: 'Anchor line without a link that breaks', severity: 'look', since: 11 },
  },
  judge: (judged) =>
    anchors(judged).flatMap(({ l, held }): Raw[] => {
      const { breaks } = l.line;
      const good = BREAKS.filter((n) => n > l.load && n <= PULLS);
      const tries = good
        .slice(0, 1)
        .flatMap((n) => tryLine(judged, l.id, { breaks: n }, say`A cable tie that holds ${kg(asHung(n))}`));
      const fields = { ...aboutLine(l, tries.length > 0), code: 'break-away', tries } as const;
      if (breaks === undefined)
        return held.ground.bottom === 'rock' || held.ground.bottom === 'weed'
          ? [
              {
                ...fields,
                severity: 'look',
                says: say`Nothing breaks away where the anchor fouls on ${held.ground.bottom}.`,
                because: say`Shackle the line to its foot and tie it to its head by a cable tie: a fouled anchor then pulls out backwards.`,
              },
            ]
          : [];
      if (breaks <= l.load)
        return [
          {
            ...fields,
            severity: 'look',
            measure: under(breaks, 'N', l.load),
            says: say`In waves the boat pulls ${kg(asHung(l.load))}; the cable tie at the anchor lets go at ${kg(asHung(breaks))}.`,
            because: say`It must hold the boat, and break before the hand gives up.`,
          },
        ];
      if (breaks <= PULLS) return [];
      return [
        {
          ...fields,
          severity: 'look',
          measure: over(breaks, 'N', PULLS),
          says: say`The cable tie at the anchor holds ${kg(asHung(breaks))}: no hand breaks it.`,
          because: say`One hand pulls ${kg(asHung(PULLS))}; what does not break away stays on the bottom, or takes the boat under.`,
        },
      ];
    }),
});

/** From such a wind on a boat that drifts beam to it is rolled by its waves (judgement), km/h. */
const BREAKS_OVER = 20;

/** What holds a boat, and what that does to it when it lies across: an anchor or a stake by the stream, a drogue by the waves. */
const ACROSS_WHAT = {
  'anchor line': { code: 'anchor-abeam', at: 'At anchor' },
  'stake-out cord': { code: 'stake-abeam', at: 'On its stake' },
  'drogue line': { code: 'drogue-abeam', at: 'With its drogue out' },
} as const satisfies Partial<Record<LedLine['line']['use'], { readonly code: Raw['code']; readonly at: string }>>;

/** Lying across a stream, or across the waves. */
export const anchorAbeam = check({
  about: 'lines',
  ofBody: true,
  finds: {
    'anchor-abeam': { called: 'Anchored across the stream', severity: ['note', 'look', 'stop'], since: 11 },
    'stake-abeam': { called: 'Staked across the stream', severity: ['note', 'look', 'stop'], since: 14 },
    'drogue-abeam': { called: 'Drogue pulls across the boat', severity: ['note', 'look', 'stop'], since: 14 },
  },
  judge: (judged) =>
    judged.lines.flatMap((l): Raw[] => {
      const { held } = l;
      const what = entryOf(ACROSS_WHAT, l.line.use);
      if (!held || !what) return [];
      const { stream, wind } = held.ground;
      const drifts = l.line.use === 'drogue line';
      if (drifts ? wind < BREAKS_OVER / 2 : stream < ROLLS) return [];
      const across = held.lies.filter((one) => one.heading > ACROSS[0] && one.heading < ACROSS[1]);
      const [worst] = [...across].sort((a, b) => Math.abs(a.heading - 90) - Math.abs(b.heading - 90));
      if (!worst) return [];
      const moves = held.lies.length > 1;
      const off = `${Math.round(worst.heading)}°`;
      const to = drifts ? say`the wind of ${kmh(wind)}` : say`a stream of ${kmh(stream)}`;
      return [
        {
          ...aboutLine(l),
          code: what.code,
          severity: moves ? 'note' : drifts && wind < BREAKS_OVER ? 'look' : 'stop',
          measure: under(Math.abs(worst.heading - 90), '°', 90 - ACROSS[0]),
          says: moves
            ? say`With the ring amidships the boat lies ${off} to ${to}.`
            : say`${what.at} the boat lies ${off} to ${to}.`,
          because: drifts
            ? say`Beam to the waves it is rolled. Lead the line to bow or stern, or over a trolley.`
            : moves
              ? say`Across a stream it can capsize: draw the ring to bow or stern before it holds.`
              : say`Across a stream it can capsize. Lead the line to bow or stern, or over a trolley.`,
        },
      ];
    }),
});

/** Lying with the stern to a stream: it is the lower end, and water comes in over it. */
export const anchorByStern = check({
  about: 'lines',
  ofBody: true,
  finds: {
    'anchor-by-stern': { called: 'Anchored by the stern', severity: 'look', since: 14 },
  },
  judge: (judged) =>
    anchors(judged).flatMap(({ l, held }): Raw[] => {
      const [only] = held.lies;
      if (held.ground.stream < ROLLS || held.lies.length > 1 || !only || only.heading < ACROSS[1]) return [];
      return [
        {
          ...aboutLine(l),
          code: 'anchor-by-stern',
          measure: over(held.ground.stream, 'km/h', ROLLS),
          says: say`At anchor the boat lies stern to a stream of ${kmh(held.ground.stream)}.`,
          because: say`The stern is low and blunt: a stream pulls it under, and waves come in over it. Lead the line to the bow, or over a trolley.`,
        },
      ];
    }),
});
