import { runTypeScript } from './bootstrap.mjs'

await runTypeScript('verify.ts')
