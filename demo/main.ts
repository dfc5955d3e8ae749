import { serve } from '@plain-cleat/server/serve';
import { DEMO_SECRET, DEMO_SHOP } from './filling';

await serve(DEMO_SHOP, { SESSION_SECRET: DEMO_SECRET });
