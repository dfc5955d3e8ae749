import { shop } from './shop';

jasmine.DEFAULT_TIMEOUT_INTERVAL = 120_000;
afterAll(async () => (await shop()).close());
