import { runTypeScript } from './bootstrap.mjs'

await runTypeScript('reference/main.ts')
