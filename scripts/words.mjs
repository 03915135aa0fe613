import { runTypeScript } from './bootstrap.mjs'

await runTypeScript('words.ts')
