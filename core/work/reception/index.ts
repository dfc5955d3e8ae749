export { receive, type CameThing } from './receive';
