export { capital } from './capital';
export { cross, distance, dot, sideOf, sideSign, type Point, type Side } from './axes';
export { bareFigure, certain, numbersOf, readFigure, type Numbers } from './figure';
export {
  lengthParts,
  MM_PER_FOOT,
  MM_PER_INCH,
  parseLength,
  printFigure,
  printLength,
  printLittle,
  printLong,
  roundTo,
  type Rounding,
  type UnitSystem,
} from './length';
export { asHung, GRAVITY, KG_PER_POUND, printMass } from './mass';
export { isWorse, MEASURE_UNITS, over, under, type Measure, type MeasureUnit } from './measure';
export { printMoney, roundCents } from './money';
export { betweenPieces, onTheWay, pathLength, type Piece } from './pieces';
export { SOURCES, type Source } from './source';
export { fine, ground, kg, km, kmh, longApart, longMm, mm, mmApart, say, tell, type Sentence } from './text';
export { calculation, type Calculation } from './calculation';
export { calendarIn, dayAfter, dayIn, daysBetween, printClock } from './dates';
export { figureOf, printQuantity, readQuantity, unitOf, type QuantityKind, type ReadQuantity } from './quantity';
export { plainLetters } from './plain-letters';
