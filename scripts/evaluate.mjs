import { runTypeScript } from './bootstrap.mjs'

await runTypeScript('evaluate.ts')
