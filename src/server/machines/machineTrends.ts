import type { JobView } from '../../contract/answers'
import { allJobs } from '../../db/queries/jobs'
import { say } from '../../labels/refusals'
import { authorise, type Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { buildJobView } from '../jobs/jobView'

/** The latest job of a machine, which carries all its history: what the wear lines are drawn from. */
export async function machineTrends(context: Context, machineId: string): Promise<JobView> {
  authorise(context, 'read')
  const latest = (await allJobs(context.db)).find(({ job }) => job.machineId === machineId && !job.practice)
  if (!latest) throw new Refused('notFound', say.thereNoMachineJob(machineId))
  return buildJobView(context, context.db, latest.job.id)
}
