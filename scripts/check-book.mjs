import { runTypeScript } from './bootstrap.mjs'

await runTypeScript('check-book.ts')
