import { writeFileSync } from 'node:fs';
import { checksPage } from './checks-page';

writeFileSync(new URL('../docs/checks.md', import.meta.url), checksPage());
