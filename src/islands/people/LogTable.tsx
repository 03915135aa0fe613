import type { LogView } from '../../contract/answers'
import { formatMoment } from '../../contract/words'
import { say } from '../../labels/people'
import { type DataColumn, DataTable } from '../../ui/dataTable/DataTable'
import styles from './people.module.css'

type Event = LogView['events'][number]

const columns: readonly DataColumn<Event>[] = [
  { id: 'at', head: say.at, by: ({ at }) => at, cell: ({ at }) => <span className="figure">{formatMoment(at)}</span> },
  { id: 'by', head: say.by, by: ({ by }) => by, cell: ({ by }) => by },
  { id: 'verb', head: say.what, by: ({ verb }) => verb, cell: ({ verb }) => verb },
  {
    id: 'subject',
    head: say.subject,
    by: ({ subject }) => subject,
    cell: ({ subject }) => <span className="figure">{subject}</span>,
  },
  {
    id: 'detail',
    head: say.detail,
    by: ({ detail }) => detail,
    cell: ({ detail }) => <span className={`figure ${styles.detail}`}>{detail === '{}' ? '' : detail}</span>,
  },
]

/** What the log has that was asked for, to be sorted and searched further. */
export const LogTable = ({ events }: { readonly events: readonly Event[] }) => (
  <DataTable
    label={say.eventLog}
    rows={events}
    columns={columns}
    keyOf={({ id }) => String(id)}
    search={say.searchShown}
    empty={say.nothingFound}
  />
)
