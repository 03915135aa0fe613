import { runTypeScript } from './bootstrap.mjs'

await runTypeScript('compose.ts')
