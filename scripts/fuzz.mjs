import { runTypeScript } from './bootstrap.mjs'

await runTypeScript('fuzz.ts')
