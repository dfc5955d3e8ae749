import { writeFileSync } from 'node:fs';
import { z } from 'zod';
import { rigFileSchema } from '@plain-cleat/core/rig';

/** Writes the JSON Schema (2020-12) of the rig file beside its document. */
const file = new URL('../docs/rig-file.schema.json', import.meta.url);
writeFileSync(
  file,
  `${JSON.stringify({ title: `Plain Cleat rig file, version ${rigFileSchema.shape.version.value}`, ...z.toJSONSchema(rigFileSchema) }, null, 2)}\n`,
);
