/** `npm run schemas`: writes the JSON Schemas of the open formats, made from the Zod schemas, to docs/. */
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { root } from './bootstrap.mjs'
import { formatSchemas } from './lib/formatSchemas'

for (const { file, text } of formatSchemas()) writeFileSync(join(root, 'docs', file), text)
