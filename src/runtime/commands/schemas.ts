import { writeFileSync } from 'node:fs';
import { format, resolveConfig } from 'prettier';
import { eventFileSchema } from '../eventFileSchema';

/** `npm run schemas`: writes the schema that the event's classes make. */
const path = 'docs/formats/event.schema.json';
const options = await resolveConfig(path);
writeFileSync(path, await format(JSON.stringify(eventFileSchema()), { ...options, filepath: path }));
