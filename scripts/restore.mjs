import { runTypeScript } from './bootstrap.mjs'

await runTypeScript('restore.ts')
