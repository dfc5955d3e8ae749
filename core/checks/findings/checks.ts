// Every check there is: a new one is its file and a line here.
export { anchorAbeam, anchorByStern, anchorDrags, anchorLight, anchorShort, breakAway } from './anchors';
export { backCast } from './back-cast';
export { backUp } from './back-up';
export { sideToSide } from './balance';
export { alikeInParallel, alikeInRow, onPartOfARow } from './banks';
export { failedTests } from './bench-tests';
export { bodyNotKept } from './body';
export { chargeDrop, chargerEnds, frozenSun } from './chargers';
export { overBattery, sags, sharedWithMotor } from './circuits';
export { budgets, tooManyRods } from './clutter';
export { lateParts } from './dates';
export { cardLasts, lastsTheDay, legsReached, ownBatteryLasts } from './day';
export { fuseBuried, sealed } from './electric-places';
export { eventRules } from './event-rules';
export { fedRight, feeds, lanyards, shorted } from './feeds';
export { boxesHold, lightsSwitched, waysNamed } from './boxes';
export { chargedAboard, chargedAt, chargedRight } from './charging';
export { cannotFloat, handleDrags, steady, trimmed, wetFloor } from './floating';
export { acrossTracks, clearOfDeck, fitsItsPlace, hangsOver, lies, onLids } from './footing';
export { lineAtFeet, lineInStroke, lineInWay, lineMeets, lineOverHatch, linePropeller } from './fouls';
export { gettingBack, noWayBack } from './getting-back';
export { glare, heat, screenAngle } from './glare';
export { chains, goesWith, replaced } from './goes-with';
export { fuseForLoad, guardsAsFitted } from './guards';
export { hands } from './hands';
export { cannotHold, offHull, overloaded } from './holding';
export { holeAtEdge, holesClose, hullOff, measuredTwice, readsAlike, reusedHole } from './hole-places';
export { drillPolicy, drilledElsewhere, holeNearHazard, holeUnderWater, nothingReaches } from './holes';
export { aired, goesIn, keptDry, slides, standsClear } from './inside';
export { inTheHand, underThings } from './inside-reach';
export { knuckles } from './knuckles';
export { landingSide } from './landing-side';
export { legRoom } from './leg-room';
export { legs, seatPlace, twoPaddlers } from './legs';
export { lidsBear } from './lids';
export {
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
export { motorInWater } from './motor-in-water';
export { mixedMetals, threadFamilies, weakMount, workedFirst } from './mounts';
export { cableLoops, cablesInWay } from './moving-cables';
export { lineOld, lineShort } from './old-cords';
export { openHoles } from './open-holes';
export { overboard } from './overboard';
export { overlap, overlapBetweenSets, swappedTogether } from './overlap';
export { paddleLength, paddleStroke } from './paddle-stroke';
export { plateClear } from './plates';
export { besideMotor, plugsAlike, plugsHold } from './plugs';
export { posts } from './posts';
export { reach } from './reach';
export { roadHeight, roofLift } from './road';
export { rodAtBody, rodButts, rodMeets, rodPlaces, rodTips, rodsCross, shallowTubes } from './rods';
export { cableShort, glandSmall, hangsFree, runThrough } from './routes';
export { noDrain, scupperCovered } from './scuppers';
export { secondHold } from './second-hold';
export { allRoundLight, lensPath, lightHeights, sidelights, whiteLight } from './sight';
export { signalsFull, signalsUnlike, twoGrounds, unread } from './signals';
export { standing } from './standing-room';
export { stowage } from './stowage';
export { hullTooSmall, propulsion } from './suits-hull';
export { riders, ridersTied, struts, swings, whereItRests } from './swings';
export { tetherPropeller, tetherShort, tetherWraps } from './tethers';
export { tiedDown } from './tied-down';
export { offItsTrack, trackLies, trackSlots, weakTrack } from './tracks';
export { transducer } from './transducer';
export { wake } from './wake';
export { carried, carted, launched, riggedUp, roofTied } from './to-water';
export { whereSits } from './where-sits';
export { fuseTooLarge, noFuse, overheats, ownGauge, thinWire, unguarded } from './wires';
export { wornThings } from './worn';
