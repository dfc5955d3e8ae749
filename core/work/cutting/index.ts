export { cutBars, type BarCut, type BarPlan, type BarStock, type Piece } from './bars';
export { cutBoards, type BoardCut, type BoardPlan, type BoardStock, type Plate } from './boards';
export { cutList, KEEP, type WantedBar } from './cut-list';
export { reelCuts, reelsFor } from './reels';
export { seeded } from './search';
