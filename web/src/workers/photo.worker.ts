import { type Homography, type Picture, rectify, type Window } from '@plain-cleat/core/boat/hull';
import { expose } from 'comlink';

export interface PhotoWorker {
  flatten(photo: Picture, h: Homography, window: Window): Picture;
}

/** Looks at a photo from straight above, away from the screen. */
const worker: PhotoWorker = { flatten: (photo, h, window) => rectify(photo, h, window) };
expose(worker);
