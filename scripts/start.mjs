import { runTypeScript } from './bootstrap.mjs'

await runTypeScript('start.ts')
