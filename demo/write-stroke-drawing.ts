import { writeFileSync } from 'node:fs';
import { fairHull } from '@plain-cleat/core/boat/hull';
import { strokeDrawing } from '@plain-cleat/core/layout';
import { USUAL_BRIEF } from '@plain-cleat/core/rig';
import { TOLVANE } from './documents';
import { SHOP } from './shop';

/** Writes the drawing of the stroke model beside its document. */
writeFileSync(new URL('../docs/stroke.svg', import.meta.url), strokeDrawing(fairHull(TOLVANE), USUAL_BRIEF, SHOP, 100));
