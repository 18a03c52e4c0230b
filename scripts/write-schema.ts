/** Publishes the JSON Schema of job files, generated from the schema that reads them. */
import { writeFileSync } from 'node:fs';
import { jobFileSchema } from '../src/core/index.ts';

writeFileSync(
  new URL('../static/job.schema.json', import.meta.url),
  `${JSON.stringify(jobFileSchema(), null, 2)}\n`,
);
