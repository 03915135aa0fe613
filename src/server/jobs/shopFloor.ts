import { dayOf } from '../../clock/clock'
import type { FloorGauge, FloorMachine, FloorView, JobSummary } from '../../contract/answers'
import { daysBetween } from '../../core/base/day'
import { countedToday, intervalUsed } from '../../core/job/interval'
import { jobState, standingBy } from '../../core/job/standing'
import { allGauges } from '../../db/queries/gauges'
import { jobStamps } from '../../db/queries/jobStamp'
import { allJobs } from '../../db/queries/jobs'
import { allHours, allMachines } from '../../db/queries/machines'
import { authorise, type Context } from '../edge/context'
import { lastBackup } from '../edge/lastBackup'
import { Refused } from '../edge/refused'
import { sees } from '../people/roles'
import { floorJob } from './floorJob'
import { buildJobView } from './jobView'

/** Gauges whose calibration ends within so many days are named beside those that have lapsed. */
const DUE_DAYS = 30

/** The shop floor: open jobs in rows, machines with how much of their interval is used, gauges that lapse. */
export async function shopFloor(context: Context): Promise<FloorView> {
  authorise(context, 'read')
  const { db } = context
  const [everyMachine, everyJob, gauges, hours] = await Promise.all([allMachines(db), allJobs(db), allGauges(db), allHours(db)])
  const machines = everyMachine.filter(({ station }) => sees(context.user, station))
  const jobs = everyJob.filter(({ machine }) => sees(context.user, machine.station))
  const today = dayOf(context.now())
  const open: FloorView['jobs'][number][] = []
  const unreadable: FloorView['unreadable'][number][] = []
  const states = new Map<string, JobSummary['state']>()
  const undone = jobs.filter(({ job, reportId, ended }) => reportId === null && job.importedFrom === null && !ended)
  const stamps = await jobStamps(
    db,
    undone.map(({ job }) => job.id),
  )
  for (const { job } of undone) {
    try {
      const view = await buildJobView(context, db, job.id, stamps.get(job.id))
      states.set(job.id, jobState(view))
      open.push(floorJob(view))
    } catch (error) {
      // One job that cannot be read hides itself alone.
      if (!(error instanceof Refused)) throw error
      unreadable.push({ id: job.id, title: job.title, says: error.message })
    }
  }
  return {
    today,
    jobs: open.sort((a, b) => (a.returnBy ?? '9999').localeCompare(b.returnBy ?? '9999') || a.machine.localeCompare(b.machine)),
    unreadable,
    machines: machines.map((machine): FloorMachine => {
      const own = jobs.filter(({ job }) => job.machineId === machine.id && !job.practice)
      const ended = own.find(({ job, reportId }) => reportId !== null || job.importedFrom !== null)?.job
      const log = [
        ...hours.filter((of) => of.machineId === machine.id).map(({ readOn, hours: at }) => ({ on: readOn, hours: at })),
        ...own.map(({ job }) => ({ on: job.openedOn, hours: job.runningHours })),
        ...countedToday(machine.meter, today),
      ].sort((a, b) => a.on.localeCompare(b.on) || a.hours - b.hours)
      return {
        id: machine.id,
        station: machine.station,
        name: machine.name,
        meter: machine.meter,
        hours: log.at(-1)?.hours ?? null,
        interval: intervalUsed(
          log,
          ended && machine.meter !== 'none' ? { hours: ended.runningHours, mustRun: ended.mustRunHours } : null,
          today,
        ),
        jobs: own.map(
          ({ job, reportId }): JobSummary => ({
            id: job.id,
            title: job.title,
            openedOn: job.openedOn,
            runningHours: job.runningHours,
            state: states.get(job.id) ?? standingBy(job.importedFrom, reportId !== null, null),
            reportId,
          }),
        ),
      }
    }),
    backup: lastBackup(context.now()),
    gauges: gauges
      .filter(({ replaced }) => !replaced)
      .map(
        ({ code, name, calibrationDue }): FloorGauge => ({
          code,
          name,
          due: calibrationDue,
          days: daysBetween(today, calibrationDue),
        }),
      )
      .filter(({ days }) => days <= DUE_DAYS)
      .sort((a, b) => a.days - b.days),
  }
}
