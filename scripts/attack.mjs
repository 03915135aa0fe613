import { runTypeScript } from './bootstrap.mjs'

await runTypeScript('attack.ts')
