/** Thread that reads a table of earlier readings: loads TypeScript, then the worker itself. */
import { register } from 'tsx/esm/api'

register()
await import('../src/server/machines/history/worker.ts')
