/** Thread that reads a table of earlier readings. */
import { importTypeScript } from './bootstrap.mjs'

await importTypeScript('src/server/machines/history/worker.ts')
