import { writeFileSync } from 'node:fs';
import { SHOP, TOLVANE } from '../../demo/index';
import { fairHull } from '../hull';
import { USUAL_BRIEF } from '../rig';
import { strokeDrawing } from './stroke-drawing';

/** Writes the drawing of the stroke model beside its document. */
writeFileSync(new URL('../../docs/stroke.svg', import.meta.url), strokeDrawing(fairHull(TOLVANE), USUAL_BRIEF, SHOP));
