import { writeFileSync } from 'node:fs';
import { fairHull, strokeDrawing, USUAL_BRIEF } from '@plain-cleat/core';
import { TOLVANE } from './documents';
import { SHOP } from './shop';

/** Writes the drawing of the stroke model beside its document. */
writeFileSync(new URL('../docs/stroke.svg', import.meta.url), strokeDrawing(fairHull(TOLVANE), USUAL_BRIEF, SHOP, 100));
