/** Thread that reads and writes limit books as files. */
import { importTypeScript } from './bootstrap.mjs'

await importTypeScript('src/server/books/file/worker.ts')
