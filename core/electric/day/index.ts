export { goOut, type DayOut } from './go-out';
export type { Charging } from './charging';
export { currentsOf } from './currents';
export type { OwnBatteryDay } from './own-battery';
export { dragOf, wettedOf, windOf, type ByGuess, type Wetted } from './resistance';
export { usualDuty, type BatteryDay, type DayWorked, type Reach } from './simulate';
