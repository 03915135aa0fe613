import { say } from '../../labels/shopFloor'

export interface MachineBar {
  readonly id: string
  readonly name: string
  /** Part of the interval used; null where it is not known. */
  readonly used: number | null
  readonly open: boolean
}

const BAR = 10
const GAP = 9
const TALL = 32
const FOOT = 6
/** So many stand in a row. */
const IN_A_ROW = 12
/** What is further past due than this looks no worse. */
const MOST = 1.15

/** Machines of one station: how much of the interval of each is used; red past it, a line under one with an open job. */
export function MachineBars({ machines }: { readonly machines: readonly MachineBar[] }) {
  const width = IN_A_ROW * (BAR + GAP)
  const rowHeight = TALL + FOOT + 4
  const rows = Math.ceil(machines.length / IN_A_ROW)
  const full = TALL / MOST
  return (
    <svg width="100%" viewBox={`0 0 ${width} ${rows * rowHeight}`} aria-label={say.machineTable}>
      {machines.map(({ id, name, used, open }, index) => {
        const x = (index % IN_A_ROW) * (BAR + GAP) + GAP / 2
        const y = Math.floor(index / IN_A_ROW) * rowHeight
        const height = used === null ? 0 : Math.max(1, Math.min(MOST, used) * full)
        const words = say.machineBar(name, used === null ? say.hoursUnknown : say.intervalOf(Math.round(used * 100)), open)
        return (
          <a key={id} href={`/machines/${id}/trends`} aria-label={words}>
            <title>{words}</title>
            <rect x={x - GAP / 2} y={y} width={BAR + GAP} height={TALL + FOOT} fill="transparent" />
            <rect x={x} y={y} width={BAR} height={TALL} fill="var(--band-track)" />
            <path d={`M${x - GAP / 2} ${y + TALL - full}h${BAR + GAP}`} stroke="var(--replace)" strokeWidth={1.2} />
            {used === null ? (
              <path
                d={`M${x + BAR / 2} ${y + TALL / 2}v${TALL / 2}`}
                stroke="var(--ink-2)"
                strokeWidth={2}
                strokeDasharray="2 3"
              />
            ) : (
              <rect x={x} y={y + TALL - height} width={BAR} height={height} fill={used > 1 ? 'var(--replace)' : 'var(--blue)'} />
            )}
            <path d={`M${x - GAP / 2} ${y + TALL}h${BAR + GAP}`} stroke="var(--ink)" strokeWidth={1} />
            {open && <rect x={x - 1} y={y + TALL + 2} width={BAR + 2} height={3} fill="var(--blue)" />}
          </a>
        )
      })}
    </svg>
  )
}
