import { boundsOf, eyeOf, toHull } from '../../layout';
import { mm, say, over } from '../../base/units';
import { check } from './check';
import { about, alone, nameOf, type Raw, slideTo } from './finding';

/** A face that leans back more than this looks at the sky (judgement), degrees. */
const SKY = 50;

/** Whether the screen can be read from where they sit. */
export const screenAngle = check({
  about: 'set',
  ofBody: true,
  finds: {
    'screen-angle': { called: 'Screen turned away', severity: 'look', since: 2 },
  },
  judge: alone((item, { paddlers, shop }): Raw[] => {
    const { screen } = item.placed.part;
    const [p] = paddlers;
    if (!screen || !p) return [];
    const { frame, fitting, place } = item.placed;
    const at = toHull(frame, 0, 0, screen.w + fitting.lift);
    const eye = eyeOf(p);
    const tilt = (screen.tilt * Math.PI) / 180;
    const face = { x: frame.u.x * Math.cos(tilt), y: frame.u.y * Math.cos(tilt), z: Math.sin(tilt) };
    const to = { x: eye.x - at.x, y: eye.y - at.y, z: eye.z - at.z };
    const far = Math.hypot(to.x, to.y, to.z);
    const off = (Math.acos((face.x * to.x + face.y * to.y + face.z * to.z) / far) * 180) / Math.PI;
    if (off <= shop.limits.screen) return [];
    const towards = (Math.atan2(-to.y, to.x) * 180) / Math.PI;
    return [
      {
        ...about(item),
        code: 'screen-angle',
        fixable: true,
        measure: over(off, '°', shop.limits.screen),
        says: say`${nameOf(item)} is read at ${Math.ceil(off)}° off its face; ${shop.limits.screen}° can still be read.`,
        because: say`From eyes ${mm(far)} away. Turn it towards the seat.`,
        tries:
          'heading' in place
            ? [{ says: say`Turn it to face them`, changes: [slideTo(item, { ...place, heading: Math.round(towards) })] }]
            : [],
      },
    ];
  }),
});

/** A face turned up glares. */
export const glare = check({
  about: 'set',
  finds: {
    glare: { called: 'Screen in the glare', severity: 'note', since: 2 },
  },
  judge: alone((item): Raw[] => {
    const { screen } = item.placed.part;
    if (!screen || screen.tilt <= SKY) return [];
    return [
      {
        ...about(item),
        code: 'glare',
        measure: over(screen.tilt, '°', SKY),
        says: say`The face of ${nameOf(item)} leans back ${Math.round(screen.tilt)}°: it mirrors the sky.`,
        because: say`Under ${SKY}° it is shaded by its own hood or the paddler.`,
      },
    ];
  }),
});

/** A camera that stops in the sun, with nothing over it. */
export const heat = check({
  about: 'set',
  finds: {
    heat: { called: 'Too hot in the sun', severity: 'look', since: 1 },
  },
  judge: ({ items }) =>
    items.flatMap((item): Raw[] => {
      const { part, bodies, frame } = item.placed;
      if (part.use.heat !== 'shade') return [];
      const top = Math.max(...bodies.map((b) => b.top));
      const { x, y } = frame.origin;
      const shaded = items.some(
        (i) =>
          i !== item &&
          i.placed.bodies.some((b) => {
            if (b.bottom < top) return false;
            const over = boundsOf([b]);
            return over.fore <= x && over.aft >= x && over.port <= y && over.starboard >= y;
          }),
      );
      if (shaded) return [];
      return [
        {
          ...about(item),
          code: 'heat',
          says: say`Nothing shades ${nameOf(item)}: it stops when it gets hot.`,
          because: say`Cameras overheat in the sun: common practice. A hood, a lighter housing, or breaks in the shade.`,
        },
      ];
    }),
});
