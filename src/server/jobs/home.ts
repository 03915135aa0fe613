import type { HomeView, JobSummary, JobView } from '../../contract/answers'
import { jobState, standingBy } from '../../core/job/standing'
import { allGauges } from '../../db/queries/gauges'
import { allJobs } from '../../db/queries/jobs'
import { allMachines } from '../../db/queries/machines'
import { authorise, type Context } from '../edge/context'
import { lastBackup } from '../edge/lastBackup'
import { Refused } from '../edge/refused'
import { buildJobView } from './jobView'

/** The shop floor: machines with their overhauls, open jobs with what is next, gauges out of calibration. */
export async function homeView(context: Context): Promise<HomeView> {
  authorise(context, 'read')
  const { db } = context
  const [machines, jobs, gauges] = await Promise.all([allMachines(db), allJobs(db), allGauges(db)])
  const openJobs: JobView[] = []
  const unreadable: HomeView['unreadable'][number][] = []
  for (const { job, reportId } of jobs) {
    if (reportId !== null || job.importedFrom !== null) continue
    try {
      openJobs.push(await buildJobView(context, db, job.id))
    } catch (error) {
      // One job that cannot be read hides itself alone.
      if (!(error instanceof Refused)) throw error
      unreadable.push({ id: job.id, title: job.title, says: error.message })
    }
  }
  const states = new Map(openJobs.map((view) => [view.record.job.id, jobState(view)]))
  const today = context.now().toISOString().slice(0, 10)
  return {
    machines: machines.map((machine) => ({
      id: machine.id,
      station: machine.station,
      name: machine.name,
      jobs: jobs
        .filter(({ job }) => job.machineId === machine.id)
        .map(
          ({ job, reportId }): JobSummary => ({
            id: job.id,
            title: job.title,
            openedOn: job.openedOn,
            runningHours: job.runningHours,
            state: states.get(job.id) ?? standingBy(job.importedFrom, reportId !== null, null),
            reportId,
          }),
        ),
    })),
    openJobs,
    unreadable,
    backup: lastBackup(),
    lapsedGauges: gauges
      .filter((gauge) => !gauge.replaced && gauge.calibrationDue < today)
      .map(({ code, name, calibrationDue }) => ({ code, name, due: calibrationDue })),
  }
}
