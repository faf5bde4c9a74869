/** Writes docs/file-format.schema.json from the contract: `node tools/run.mjs tools/fileFormat.ts`. A test holds the two together. */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileSchema } from '@elder-cog/contract';

writeFileSync(join(import.meta.dirname, '..', 'docs', 'file-format.schema.json'), `${JSON.stringify(fileSchema(), null, 1)}\n`);
