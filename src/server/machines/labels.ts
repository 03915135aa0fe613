import QRCode from 'qrcode'
import { foldNotes } from '../../core/notes/fold'
import type { NotedPosition } from '../../core/notes/state'
import { say } from '../../labels/refusals'
import type { Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { publicUrl } from '../edge/runtime'
import { jobView } from '../jobs/jobView'

export interface Label {
  readonly id: string
  readonly number: string
  readonly name: string
  readonly within: string
  readonly machine: string
  /** Facing, clock, mates, mark, thickness: one short line each. */
  readonly lines: readonly string[]
  /** The code that opens the part on a phone or tablet, as SVG. */
  readonly code: string
}

/** Labels of the parts that are tagged or laid out; of one part when it is named. */
export async function labelsOf(context: Context, jobId: string, only: string | null) {
  const view = await jobView(context, jobId)
  const { record } = view
  const noted = foldNotes(record.book, record.job.entries)
  const names = new Map(noted.positions.map((position) => [position.id, position]))
  if (only !== null && !names.has(only)) throw new Refused('notFound', say.machineHasNo(only))
  const chosen = noted.positions.filter((position) =>
    only === null ? position.tag !== null || position.tray !== null : position.id === only,
  )
  const nameOf = (id: string): string => names.get(id)?.name ?? id
  const labels = await Promise.all(
    chosen.map(
      async (position): Promise<Label> => ({
        id: position.id,
        number: position.tag?.number ?? '',
        name: position.name,
        within: position.parent === null ? '' : nameOf(position.parent),
        machine: `${record.machine.station}, ${record.machine.name}`,
        lines: linesOf(position, record.book.joints, noted.joints, nameOf),
        code: await QRCode.toString(
          `${publicUrl()}/jobs/${encodeURIComponent(jobId)}/strip?p=${encodeURIComponent(position.id)}`,
          {
            type: 'svg',
            margin: 0,
            errorCorrectionLevel: 'M',
          },
        ),
      }),
    ),
  )
  return { view, labels }
}

function linesOf(
  { id, tag, thickness, book }: NotedPosition,
  joints: readonly { readonly id: string; readonly between: readonly [string, string] }[],
  marks: ReadonlyMap<string, { readonly mark: string }>,
  nameOf: (id: string) => string,
): string[] {
  const own = joints.filter(({ between }) => between.includes(id)).flatMap((joint) => marks.get(joint.id)?.mark ?? [])
  return [
    tag?.face ?? '',
    tag?.clock ? `${book?.clock ?? 'clock'}: ${tag.clock} o’clock` : '',
    own.length > 0 ? `mark: ${own.join(', ')}` : '',
    tag && tag.keptWith.length > 0 ? say.withOne(tag.keptWith.map(nameOf).join(', ')) : '',
    thickness ? say.thickness(thickness.text) : '',
    book?.thread === 'left' ? say.leftHandThread : '',
    tag && tag.count > 1 ? say.pieces(tag.count) : '',
  ].filter((line) => line !== '')
}
