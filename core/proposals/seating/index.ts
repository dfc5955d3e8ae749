export { seatSays } from './says';
export { ASKED, seatNow, seatRange, seatTo, type Asked, type SeatRange, type SeatSearch } from './seat-range';
