// What runs in processes of its own is what is shipped: built before anything is tried.
import '../build.js';
import { shop } from './shop';

jasmine.DEFAULT_TIMEOUT_INTERVAL = 120_000;
afterAll(async () => (await shop()).close());
