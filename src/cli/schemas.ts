import { mkdirSync, writeFileSync } from 'node:fs';
import { specSheetJsonSchema } from '../core/formats/spec-sheet';

/** Writes the JSON Schemas of the open formats into the docs: `npm run schemas`. A test holds them to the code. */
mkdirSync('docs/schema', { recursive: true });
writeFileSync('docs/schema/spec-sheet.schema.json', `${JSON.stringify(specSheetJsonSchema(), null, 2)}\n`);
