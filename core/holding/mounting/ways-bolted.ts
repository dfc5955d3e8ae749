import { fine, say } from '../../base/units';
import { boltName, chooseBolt, chooseScrew, nutted, TAPPED } from './fastener';
import { findThread, rivetFor, SCREWS, WELL_NUTS } from './tables';
import { GASKET, none, ownNut, refuse, tooLong, type MountedBy } from './mounted';
import { inInsert } from './ways-made';

/** Bolts through the hull, with nuts put on from inside or with a plate that is pulled up against it. */
export const bolted =
  (pulled: boolean): MountedBy =>
  (placed, mount, shop, hull) => {
    const { part, frame, place } = placed;
    const holes = part.holes.at.length;
    if (holes === 0) return refuse(say`it has no holes to bolt through`);
    if (!pulled && place.on === 'plate') return inInsert(placed, mount, shop, hull);
    if (ownNut(part)) return { ...none, holes, behind: 20, spots: part.holes.at };
    const thread = findThread(part.holes.thread, shop.drilling.threads);
    if (!thread) return refuse(say`no thread ${part.holes.thread} in the tables`);
    const plate = pulled || mount.plate;
    const thick = plate ? shop.holding.plate : 0;
    // A pulled plate is tapped: its screws need no nut behind, and may stand out of it.
    const bolt = chooseBolt(
      thread,
      { base: part.body.base.thickness, gasket: GASKET, wall: frame.wall, plate: thick },
      pulled ? TAPPED : nutted(thread, shop.holding.nut),
    );
    return {
      ...none,
      thread,
      bolt,
      plate,
      hand: !pulled,
      holes,
      count: holes,
      spots: part.holes.at,
      behind: bolt.ok ? bolt.length - part.body.base.thickness - GASKET - frame.wall : 0,
      fastener: bolt.ok ? boltName(thread, bolt.length) : null,
      cannot: bolt.ok ? null : tooLong(bolt),
    };
  };

/** A wing nut is so many diameters high (DIN 315, about, from memory; the greater is taken). */
const WING = 1.6;

/** Studs put up from inside and locked on the deck: the part goes over them under wing nuts, and comes off by hand. */
export const onStuds: MountedBy = ({ part, frame }, mount, shop) => {
  const holes = part.holes.at.length;
  const thread = findThread(part.holes.thread, shop.drilling.threads);
  if (holes === 0) return refuse(say`it has no holes to go over studs`);
  if (!thread) return refuse(say`no thread ${part.holes.thread} in the tables`);
  const thick = mount.plate ? shop.holding.plate : 0;
  // Head inside, wall, gasket, a nut that locks it on the deck; then the base, a washer and the wing nut.
  const stack = { base: part.body.base.thickness, gasket: GASKET, wall: frame.wall, plate: thick };
  const jam = thread.nuts.plain;
  const bolt = chooseBolt(thread, stack, { washer: thread.washer, nut: jam + WING * thread.diameter });
  return {
    ...none,
    thread,
    bolt,
    plate: mount.plate,
    hand: true,
    holes,
    count: holes,
    spots: part.holes.at,
    // Inside there is a head and its washer.
    behind: thread.washer + 0.7 * thread.diameter + thick,
    proud: bolt.ok ? bolt.length - frame.wall - GASKET - thick : 0,
    fastener: bolt.ok ? `Stud ${boltName(thread, bolt.length)}` : null,
    cannot: bolt.ok ? null : tooLong(bolt),
  };
};

/** Blind rivets that spread behind the wall. */
export const riveted: MountedBy = ({ part, frame }) => {
  const rivet = part.holes.rivet ? rivetFor(part.holes.rivet, part.body.base.thickness + frame.wall) : undefined;
  return {
    ...none,
    rivet,
    holes: part.holes.at.length,
    count: part.holes.at.length,
    spots: part.holes.at,
    // The blind head swells behind: about one and a half diameters and what the grip leaves over.
    behind: rivet ? rivet.greatestGrip - part.body.base.thickness - frame.wall + 1.5 * rivet.diameter : 0,
    fastener: rivet ? `Rivet ${rivet.grade}` : null,
    cannot: rivet ? null : say`no rivet sold grips this stack`,
  };
};

/** Screws that cut their own thread in the wall. */
export const screwed: MountedBy = ({ part, frame }, _mount, shop) => {
  const screw = SCREWS[findThread(part.holes.thread, shop.drilling.threads)?.name ?? ''];
  if (!screw) return refuse(say`no self-tapping screw of its size is sold`);
  const bolt = chooseScrew(part.body.base.thickness, frame.wall);
  return {
    ...none,
    bolt,
    bore: screw.pilot,
    holes: part.holes.at.length,
    count: part.holes.at.length,
    spots: part.holes.at,
    behind: bolt.ok ? bolt.showing : 0,
    fastener: bolt.ok ? `Screw ${screw.name} × ${bolt.length}` : null,
    cannot: bolt.ok ? null : say`no screw sold is long enough: ${fine(bolt.needed)} wanted`,
  };
};

/** Rubber nuts that swell behind the wall. */
export const onWellNuts: MountedBy = ({ part, frame }, _mount, shop) => {
  const thread = findThread(part.holes.thread, shop.drilling.threads);
  const nut = thread && WELL_NUTS[thread.name];
  if (!thread || !nut) return refuse(say`no well nut of its thread is sold`);
  const thick = frame.wall > nut.grip;
  return {
    ...none,
    thread,
    bore: nut.hole,
    holes: part.holes.at.length,
    count: part.holes.at.length,
    spots: part.holes.at,
    behind: nut.body - frame.wall,
    fastener: `Well nut ${thread.name}`,
    cannot: thick ? say`the wall of ${fine(frame.wall)} is thicker than a well nut grips, ${fine(nut.grip)}` : null,
  };
};
