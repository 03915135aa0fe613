import { runTypeScript } from './bootstrap.mjs'

await runTypeScript('backup.ts')
