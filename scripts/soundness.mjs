import { runTypeScript } from './bootstrap.mjs'

await runTypeScript('soundness.ts')
