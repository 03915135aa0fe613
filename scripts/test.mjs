import { runTypeScript } from './bootstrap.mjs'

await runTypeScript('test.ts')
