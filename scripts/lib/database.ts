import { stop } from '../bootstrap.mjs'
import { hasCluster, runningClusterUrl, startCluster } from './cluster'
import type { Options } from './options'

/**
 * Runs something on the database of a start, as its owner: DATABASE_OWNER_URL's or DATABASE_URL's, the private cluster that
 * runs already, or the private cluster started for this and stopped again.
 */
export async function withOwner<T>(options: Options, run: (ownerUrl: string) => Promise<T>): Promise<T> {
  const address = options.databaseOwnerUrl ?? options.databaseUrl ?? runningClusterUrl(options.dataFolder)
  if (address === null && !hasCluster(options.dataFolder))
    stop(`There is no database in ${options.dataFolder}. Name the folder with --data, or set DATABASE_URL.`)
  const cluster = address === null ? await startCluster(options.dataFolder, false) : null
  try {
    return await run(address ?? cluster?.url ?? '')
  } finally {
    await cluster?.stop()
  }
}
