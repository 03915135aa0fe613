/** Thread that lays out PDFs. */
import { importTypeScript } from './bootstrap.mjs'

await importTypeScript('src/server/reports/pdf/worker.ts')
