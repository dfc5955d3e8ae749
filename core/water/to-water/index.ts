export { goAshore, type Ashore } from './ashore';
export { cartPosts, liftedAt, liftedEasily, mostCarried, ROLLS } from './carry';
export { launchWords } from './launch';
