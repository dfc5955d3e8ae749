/** No more terminals are stacked on one post (ABYC E-11, from memory: four to a stud). */
export const RINGS_ON_POST = 4;
