// Writes the TypeScript types of the API's bodies from the JSON Schemas. `--check` only says whether they
// still agree with what is committed.
import { readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { compileFromFile } from 'json-schema-to-typescript';

const here = fileURLToPath(new URL('.', import.meta.url));
const target = fileURLToPath(new URL('../resources/js/api/types.ts', import.meta.url));

const types = await compileFromFile(`${here}api.json`, {
  cwd: here,
  additionalProperties: false,
  unreachableDefinitions: true,
  bannerComment: '// Generated from schema/ by `npm run types`; do not edit.',
});

if (process.argv.includes('--check')) {
  if (readFileSync(target, 'utf8') !== types) {
    console.error('resources/js/api/types.ts does not agree with schema/; run `npm run types`.');
    process.exit(1);
  }
} else {
  writeFileSync(target, types);
}
