export {
  comesOff,
  drillMinutes,
  fastenMinutes,
  isMadeHere,
  laborLines,
  mountMinutes,
  pullMinutes,
  SET_UP,
  takeOffMinutes,
  terminateMinutes,
  type LaborLine,
} from './standard-times';
