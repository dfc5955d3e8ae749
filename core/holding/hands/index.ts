export { ACTIVITY_WORDS, sideOfHand } from './activities';
export { handsIn, type Grip, type HandsIn, type Trouble } from './grips';
export { handsOf, toldHands, type ToldControl } from './legend';
