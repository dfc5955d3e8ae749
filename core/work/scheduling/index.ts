export { beforeHoles, build, byItself, readySteps, type BuildStep } from './build';
