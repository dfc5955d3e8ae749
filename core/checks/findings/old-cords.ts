import { CORD_TRAITS, newBy } from '../../lines';
import { entryOf } from '../../rig';
import { longApart, longMm, say, under } from '../../base/units';
import { check } from './check';
import type { Judged, Raw, Try } from './finding';
import { aboutLine, tryLine } from './lines';

/** A new piece in place of the old one. */
const cutAnew = (judged: Judged, line: string): Try[] => tryLine(judged, line, { aboard: undefined }, say`Cut a new one`);

/** A piece that was on the boat and is too short for where it is led now. */
export const lineShort = check({
  about: 'lines',
  finds: {
    'line-short': { called: 'Line short', severity: 'stop', acceptedBy: 'nobody', since: 13 },
  },
  judge: (judged) =>
    judged.lines.flatMap((l): Raw[] =>
      l.old === null || l.wanted <= l.cut
        ? []
        : [
            {
              ...aboutLine(l, true),
              ...{ code: 'line-short' },
              measure: under(l.cut, 'mm', l.wanted),
              says: say`The old ${l.line.use} is ${longApart(l.wanted, l.cut)} too short.`,
              because: say`It is ${longMm(l.cut)} long; as it is led now it takes ${longMm(l.wanted)}, knots and hand among them.`,
              tries: () => {
                const { old } = l;
                const from = entryOf(judged.plan.lines, l.id);
                const back = from && old ? { through: old.through, way: old.way } : null;
                return [...cutAnew(judged, l.id), ...(back ? tryLine(judged, l.id, back, say`Lead it as it was`) : [])];
              },
            },
          ],
    ),
});

/** A piece that has been in the sun for longer than its cord stands that. */
export const lineOld = check({
  about: 'lines',
  finds: {
    'line-old': { called: 'Line old', severity: 'look', since: 13 },
  },
  judge: (judged) =>
    judged.lines.flatMap((l): Raw[] => {
      if (l.old === null || Number(judged.plan.opened.slice(0, 4)) < newBy(l, judged.plan.opened)) return [];
      const { sun } = CORD_TRAITS[l.cord.of];
      return [
        {
          ...aboutLine(l, true),
          ...{ code: 'line-old' },
          says: say`The ${l.line.use} has been on the boat since ${l.old.since.slice(0, 4)}.`,
          because: say`In the sun ${l.cord.of} is replaced after ${String(sun)} years (judgement).`,
          tries: () => cutAnew(judged, l.id),
        },
      ];
    }),
});
