import { mkdirSync, writeFileSync } from 'node:fs';
import { checksTable } from '../core/checks/table';
import { jobFileJsonSchema } from '../core/handover/job-file';
import { workshopFileJsonSchema } from '../core/handover/workshop-file';
import { sheetTable } from '../core/vehicle/sheet-fields';
import { specSheetJsonSchema } from '../core/vehicle/spec-sheet';

/** Writes what the docs take from the code: the schemas of the formats, the table of checks. Tests hold them to it. */
const schema = (name: string, json: unknown) =>
  writeFileSync(`docs/schema/${name}.schema.json`, `${JSON.stringify(json, null, 2)}\n`);

mkdirSync('docs/schema', { recursive: true });
schema('spec-sheet', specSheetJsonSchema());
schema('job', jobFileJsonSchema());
schema('workshop', workshopFileJsonSchema());
writeFileSync('docs/checks.md', checksTable());
writeFileSync('docs/spec-sheet.md', sheetTable());
