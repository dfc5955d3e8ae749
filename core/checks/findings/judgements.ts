import { say } from '../../base/units';
import { anchorAbeam, anchorByStern, anchorDrags, anchorLight, anchorShort, breakAway } from './anchors';
import { backCast } from './back-cast';
import { alikeInParallel, alikeInRow, onPartOfARow } from './banks';
import { backUp } from './back-up';
import { sideToSide } from './balance';
import { budgets, tooManyRods } from './clutter';
import { lateParts } from './dates';
import { eventRules } from './event-rules';
import { lineOld, lineShort } from './old-cords';
import { lineAtFeet, lineInStroke, lineInWay, lineMeets, lineOverHatch, linePropeller } from './fouls';
import { aboutHull, type Judgement, type Raw } from './finding';
import { acrossTracks, clearOfDeck, fitsItsPlace, hangsOver, lies, onLids } from './footing';
import { cannotFloat, handleDrags, steady, trimmed, wetFloor } from './floating';
import { gettingBack, noWayBack } from './getting-back';
import { glare, heat, screenAngle } from './glare';
import { chains, goesWith, replaced } from './goes-with';
import { cannotHold, offHull, overloaded } from './holding';
import { drilledElsewhere, drillPolicy, holeNearHazard, holeUnderWater, nothingReaches } from './holes';
import { holeAtEdge, holesClose, hullOff, measuredTwice, readsAlike, reusedHole } from './hole-places';
import { aired, goesIn, keptDry, slides, standsClear } from './inside';
import { hands } from './hands';
import { inTheHand, underThings } from './inside-reach';
import { knuckles } from './knuckles';
import { landingSide } from './landing-side';
import { legRoom } from './leg-room';
import { legs, seatPlace, twoPaddlers } from './legs';
import { lidsBear } from './lids';
import {
  lineChafes,
  lineEnds,
  lineHard,
  linePullsMount,
  lineReach,
  lineTooThick,
  lineUnled,
  lineWeak,
  shockCordHolds,
} from './lines';
import { mixedMetals, threadFamilies, weakMount, workedFirst } from './mounts';
import { openHoles } from './open-holes';
import { posts } from './posts';
import { overboard } from './overboard';
import { overlap, overlapBetweenSets, swappedTogether } from './overlap';
import { paddleLength, paddleStroke } from './paddle-stroke';
import { plateClear } from './plates';
import { reach } from './reach';
import { roadHeight, roofLift } from './road';
import { cableShort, glandSmall, hangsFree, runThrough } from './routes';
import { rodAtBody, rodButts, rodMeets, rodPlaces, rodsCross, rodTips, shallowTubes } from './rods';
import { noDrain, scupperCovered } from './scuppers';
import { signalsFull, signalsUnlike, twoGrounds, unread } from './signals';
import { allRoundLight, lensPath, lightHeights, sidelights, whiteLight } from './sight';
import { secondHold } from './second-hold';
import { standing } from './standing-room';
import { stowage } from './stowage';
import { hullTooSmall, propulsion } from './suits-hull';
import { riders, ridersTied, struts, swings, whereItRests } from './swings';
import { tiedDown } from './tied-down';
import { tetherPropeller, tetherShort, tetherWraps } from './tethers';
import { cableLoops, cablesInWay } from './moving-cables';
import { offItsTrack, trackLies, trackSlots, weakTrack } from './tracks';
import { transducer } from './transducer';
import { carried, carted, launched, riggedUp, roofTied } from './way';
import { wake } from './wake';
import { wornThings } from './worn';
import { fuseBuried, sealed } from './electric-places';
import { besideMotor, plugsAlike, plugsHold } from './plugs';
import { failedChecks, failedTests } from './bench-tests';
import { cardLasts, lastsTheDay, legsReached, ownBatteryLasts } from './day';
import { overBattery, sags, sharedWithMotor } from './circuits';
import {
  boxesHold,
  chargedAboard,
  chargedAt,
  chargedRight,
  fedRight,
  feeds,
  lanyards,
  lightsSwitched,
  shorted,
  waysNamed,
} from './feeds';
import { fuseForLoad, guardsAsFitted } from './guards';
import { chargeDrop, chargerEnds, frozenSun } from './chargers';
import { fuseTooLarge, noFuse, overheats, ownGauge, thinWire, unguarded } from './wires';

/** What was judged of a body that is not kept any more. */
const bodyNotKept: Judgement = ({ hull, plan }) =>
  plan.brief.forgotten
    ? [
        {
          ...aboutHull(hull, hull.model.seat.x),
          step: 'brief',
          code: 'body-not-kept',
          severity: 'note',
          says: say`Body figures are not kept: stroke, casts, reach, legs, sight, floating and load are not judged.`,
          because: say`The owner asked to be forgotten. Ask their height and weight anew to have them judged.`,
        },
      ]
    : [];

/** Judged once for each set: what stands aboard together. A new judgement is one new file and one line here. */
const SET_JUDGEMENTS: readonly Judgement[] = [
  paddleStroke,
  paddleLength,
  knuckles,
  backCast,
  reach,
  hands,
  landingSide,
  standing,
  overlap,
  swappedTogether,
  fitsItsPlace,
  lies,
  clearOfDeck,
  onLids,
  lidsBear,
  acrossTracks,
  hangsOver,
  swings,
  whereItRests,
  riders,
  ridersTied,
  struts,
  rodButts,
  shallowTubes,
  rodsCross,
  rodAtBody,
  rodMeets,
  rodTips,
  transducer,
  wake,
  sealed,
  lensPath,
  allRoundLight,
  sidelights,
  lightHeights,
  whiteLight,
  tooManyRods,
  budgets,
  sideToSide,
  trimmed,
  wetFloor,
  handleDrags,
  cannotFloat,
  steady,
  roadHeight,
  tetherShort,
  tetherPropeller,
  tetherWraps,
  scupperCovered,
  noDrain,
  gettingBack,
  noWayBack,
  eventRules,
  overboard,
  secondHold,
  standsClear,
  goesIn,
  slides,
  tiedDown,
  inTheHand,
  underThings,
  keptDry,
  aired,
  backUp,
  screenAngle,
  glare,
  heat,
  chains,
  goesWith,
  offHull,
  overloaded,
  legs,
  legRoom,
  seatPlace,
  twoPaddlers,
];

/** Judged of lines alone, however they are led. */
export const LINE_JUDGEMENTS: readonly Judgement[] = [
  lineUnled,
  lineWeak,
  linePullsMount,
  lineTooThick,
  lineEnds,
  lineReach,
  lineHard,
  lineChafes,
  lineShort,
  lineOld,
  linePropeller,
  lineOverHatch,
  lineAtFeet,
  lineInStroke,
  lineInWay,
  lineMeets,
  shockCordHolds,
  anchorLight,
  anchorDrags,
  anchorShort,
  breakAway,
  anchorAbeam,
  anchorByStern,
];

/** Judged once for the rig: holes, wires, what is owned, the body and the hull. */
const RIG_JUDGEMENTS: readonly Judgement[] = [
  bodyNotKept,
  propulsion,
  hullTooSmall,
  rodPlaces,
  overlapBetweenSets,
  cannotHold,
  replaced,
  roofLift,
  carried,
  carted,
  launched,
  riggedUp,
  roofTied,
  stowage,
  drillPolicy,
  holeNearHazard,
  holeUnderWater,
  nothingReaches,
  weakMount,
  mixedMetals,
  threadFamilies,
  workedFirst,
  plateClear,
  trackLies,
  trackSlots,
  offItsTrack,
  weakTrack,
  holeAtEdge,
  holesClose,
  reusedHole,
  measuredTwice,
  readsAlike,
  hullOff,
  drilledElsewhere,
  openHoles,
  overheats,
  thinWire,
  unguarded,
  noFuse,
  fuseTooLarge,
  guardsAsFitted,
  fuseForLoad,
  ownGauge,
  chargerEnds,
  chargeDrop,
  frozenSun,
  lanyards,
  onPartOfARow,
  fedRight,
  feeds,
  shorted,
  alikeInParallel,
  alikeInRow,
  boxesHold,
  waysNamed,
  chargedAboard,
  chargedAt,
  chargedRight,
  lightsSwitched,
  plugsHold,
  plugsAlike,
  fuseBuried,
  posts,
  besideMotor,
  signalsUnlike,
  signalsFull,
  unread,
  twoGrounds,
  failedTests,
  failedChecks,
  lastsTheDay,
  legsReached,
  ownBatteryLasts,
  cardLasts,
  sags,
  overBattery,
  sharedWithMotor,
  runThrough,
  glandSmall,
  cableShort,
  hangsFree,
  cableLoops,
  cablesInWay,
  ...LINE_JUDGEMENTS,
  lateParts,
  wornThings,
];

/** Judged of a body: not at all when its figures are not kept. */
export const OF_THE_BODY: readonly Judgement[] = [
  paddleStroke,
  paddleLength,
  knuckles,
  backCast,
  reach,
  hands,
  landingSide,
  gettingBack,
  inTheHand,
  backUp,
  screenAngle,
  allRoundLight,
  lensPath,
  sidelights,
  legs,
  legRoom,
  rodAtBody,
  steady,
  twoPaddlers,
  trimmed,
  wetFloor,
  handleDrags,
  cannotFloat,
  overloaded,
  hullTooSmall,
  lineReach,
  lineAtFeet,
  lineInStroke,
  anchorLight,
  anchorDrags,
  anchorAbeam,
  anchorByStern,
];

/**
 * What is said of a thing the maker fitted, standing as they did, or of one left unused: what it does to others. How well a
 * maker held it and where they put it is their affair, and nobody reaches for what is not used.
 */
export const IN_THE_WAY: ReadonlySet<Raw['code']> = new Set([
  ...(['worn', 'overlap', 'paddle-stroke', 'knuckles', 'back-cast', 'swings', 'strut', 'lens-path', 'light-hidden'] as const),
  ...([
    'sidelight-hidden',
    'rods-cross',
    'rod-meets',
    'rod-at-body',
    'leg-room',
    'rod-butt',
    'rod-tips',
    'excludes',
    'needs',
    'tether-propeller',
  ] as const),
]);

/** All that is judged: once for each set, and once for the rig. */
export const JUDGEMENTS = { ofSets: SET_JUDGEMENTS, ofRig: RIG_JUDGEMENTS } as const;
