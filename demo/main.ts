import { serve } from '@plain-cleat/server/serve';
import { DEMO_SHOP } from './filling';

await serve(DEMO_SHOP, true);
