import { runTypeScript } from './bootstrap.mjs'

await runTypeScript('gauges.ts')
