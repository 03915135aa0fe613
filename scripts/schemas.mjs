import { runTypeScript } from './bootstrap.mjs'

await runTypeScript('schemas.ts')
