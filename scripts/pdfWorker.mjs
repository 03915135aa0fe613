/** Thread that lays out PDFs: loads TypeScript, then the worker itself. */
import { register } from 'tsx/esm/api'

register()
await import('../src/server/reports/pdf/worker.ts')
