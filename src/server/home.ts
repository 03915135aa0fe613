import type { HomeView, JobSummary } from '../contract/answers'
import { jobStanding, standingBy } from '../core/job/standing'
import { allGauges, allJobs, allMachines } from '../db/queries/jobs'
import { authorise, type Context } from './context'
import { buildJobView } from './jobView'

/** The shop floor: machines with their overhauls, open jobs with what is next, gauges out of calibration. */
export async function homeView(context: Context): Promise<HomeView> {
  authorise(context, 'read')
  const { db } = context
  const [machines, jobs, gauges] = await Promise.all([allMachines(db), allJobs(db), allGauges(db)])
  const openJobs = await Promise.all(
    jobs
      .filter(({ job, reportId }) => reportId === null && job.importedFrom === null)
      .map(({ job }) => buildJobView(context, db, job.id)),
  )
  const states = new Map(openJobs.map((view) => [view.record.job.id, jobStanding(view)]))
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
    lapsedGauges: gauges
      .filter((gauge) => !gauge.replaced && gauge.calibrationDue < today)
      .map(({ code, name, calibrationDue }) => ({ code, name, due: calibrationDue })),
  }
}
