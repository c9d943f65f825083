// `npm run schemas`: writes the JSON Schema of each open format to docs/schemas/.
import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { GenericSchema } from 'valibot';
import { toJsonSchema } from '@valibot/to-json-schema';
import { ARCHIVE_LINES, RecordFileSchema, SheetSchema, SheetsFileSchema } from '@longbar/core';
import { format } from 'prettier';

const folder = join(dirname(dirname(fileURLToPath(import.meta.url))), 'docs/schemas');
mkdirSync(folder, { recursive: true });

const schemas: Record<string, GenericSchema> = {
  sheet: SheetSchema,
  sheets: SheetsFileSchema,
  record: RecordFileSchema,
  ...Object.fromEntries(
    Object.entries(ARCHIVE_LINES).map(([kind, schema]) => [`archive-${kind}`, schema]),
  ),
};
for (const [name, schema] of Object.entries(schemas)) {
  // What JSON Schema cannot say, such as that gaps add up, is left to the application.
  const json = toJsonSchema(schema, { errorMode: 'ignore', typeMode: 'input' });
  const text = await format(JSON.stringify(json), { parser: 'json', printWidth: 100 });
  writeFileSync(join(folder, `${name}.json`), text);
}
