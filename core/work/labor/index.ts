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
  type LaborItem,
} from './standard-times';
