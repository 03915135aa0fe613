/** `npm run backup -- FILE`: everything that is stored, as it stands at one moment, while the server serves. */
import { resolve } from 'node:path'
import { stop } from './bootstrap.mjs'
import { keysFile, makeBackup } from './lib/backup'
import { signingKeyFile } from './lib/cluster'
import { withOwner } from './lib/database'
import { ensurePostgres } from './lib/debian'
import { CANCELLED, Cancelled, withProgress } from './lib/longWork'
import { readOptions } from './lib/options'

const options = readOptions()
const [name] = options.rest
if (name === undefined) stop('usage: npm run backup -- FILE [--data FOLDER]', 2)
const file = resolve(name)
const bytes = await withProgress((work) =>
  withOwner(options, (ownerUrl) =>
    makeBackup(
      {
        ownerUrl,
        bin: ensurePostgres(),
        dataFolder: options.dataFolder,
        signingKeyFile: process.env.MEDIDA_SIGNING_KEY ?? signingKeyFile(options.dataFolder),
      },
      file,
      work,
    ),
  ),
).catch((error: unknown) => {
  if (error instanceof Cancelled) stop('Cancelled: no backup was made. What stood there before is as it was.', CANCELLED)
  return stop(`No backup was made: ${error instanceof Error ? error.message : String(error)}`)
})
process.stdout.write(
  `${file}: ${(bytes / 1024 / 1024).toFixed(1)} MB. The key that signs reports lies apart in ${keysFile(file)}: keep it elsewhere.\n`,
)
