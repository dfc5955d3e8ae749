import { REAL_SHOP } from './fill';
import { serve } from './serve';

await serve(REAL_SHOP);
