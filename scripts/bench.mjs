import { runTypeScript } from './bootstrap.mjs'

await runTypeScript('bench.ts')
