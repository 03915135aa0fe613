import type { Part } from '../core/book/bookSchema'
import type { ChangedEntry } from '../core/book/compare'

type Rule = NonNullable<Part['service']>[number]

export const say = {
  books: 'Limit books',
  none: 'No limit book yet. Take one from a file, or compose a machine: its draft stands here then.',
  addFile: 'Take a book from a file',
  addAbout: 'A spreadsheet (.xlsx) or JSON as this page exports them. It comes in as a draft, whole or not at all.',
  file: 'File',
  forMachine: 'For the machine',
  noMachine: 'none yet',
  take: 'Take it in',
  chooseFile: 'Choose a file.',
  faults: (count: number): string => (count === 1 ? '1 fault' : `${count} faults`),
  where: 'Where',
  what: 'What is wrong',
  notReached: 'The server cannot be reached. Try again in a moment.',
  title: 'Book',
  revision: 'Revision',
  state: 'State',
  usedOn: 'Used on',
  nowhere: 'no machine',
  rev: (revision: string): string => `rev. ${revision}`,
  issuedOn: (day: string): string => `issued ${day}`,
  draft: 'draft',
  retired: 'retired',
  revisions: (count: number): string => (count === 1 ? '1 revision' : `${count} revisions`),
  documents: 'Documents',
  fits: 'Fits',
  renewedAlways: 'Renewed always',
  service: (rule: Rule): string => {
    switch (rule.kind) {
      case 'always':
        return 'Renewed always'
      case 'everyNth':
        return `Renewed at every ${rule.nth}. overhaul`
      case 'afterHours':
        return `Renewed after ${rule.hours} h`
      case 'afterStarts':
        return `Renewed after ${rule.starts} starts`
      case 'whenDisturbed':
        return 'Renewed when disturbed'
      case 'withMate':
        return `Renewed with ${rule.parts.join(', ')}`
      case 'set':
        return `One verdict with ${rule.parts.join(', ')}`
    }
  },
  mends: (names: string): string => `brings back ${names}`,
  price: (cost: number, currency: string, days: number | null): string =>
    `${cost} ${currency}${days === null ? '' : `, ${days} ${days === 1 ? 'day' : 'days'}`}`,
  safety: 'safety-marked',
  readings: (count: number): string => (count === 1 ? '1 reading' : `${count} readings`),
  noLimit: 'No limit: information only.',
  notTyped: 'not typed yet: information only',
  value: 'Value',
  plan: 'Plan limit',
  wear: 'Wear limit',
  passed: 'When passed',
  source: 'Source',
  new: 'New',
  mark: ({
    by,
    check,
  }: {
    readonly by: string
    readonly check: { readonly by: string; readonly agrees: boolean } | null
  }): string =>
    check === null
      ? `typed by ${by}, not checked`
      : check.agrees
        ? `typed by ${by}, agreed by ${check.by}`
        : `not as on the page: ${check.by}`,
  holdPoint: 'hold point',
  wait: (minutes: number, what: string): string => `Wait ${minutes} min: ${what}`,
  takesOut: (names: string): string => `Takes out ${names}.`,
  json: 'JSON',
  xlsx: 'Spreadsheet',
  csv: 'Limits as CSV',
  print: 'Print',
  allRevisions: 'Revisions',
  usedBy: 'Used on',
  openJobs: 'Open jobs',
  onRevision: (revision: string): string => `on ${revision}`,
  look: 'To look at',
  wrong: 'Wrong',
  compareWith: (revision: string): string => `Compare with ${revision}`,
  toCheck: (count: number): string =>
    count === 0
      ? 'Every typed limit is checked.'
      : `${count} ${count === 1 ? 'limit waits' : 'limits wait'} for a second person.`,
  draftedBy: (names: string): string => `Worked on by ${names}`,
  issueAbout: 'Issued, it can no longer be changed, and new jobs are measured against it.',
  issueAs: 'Issue it as revision',
  issue: 'Issue',
  secondIssues: 'A second person issues it: someone who did not work on it, with the right to check.',
  begin: 'Begin the next revision',
  beginAbout: 'Makes a draft of it, to be composed, typed and checked further.',
  copy: 'Copy for other machines',
  copyTitle: 'Title of the new book',
  copyAbout: 'Begins a book of its own. Its limits wait to be held against the manual of the other machine.',
  startedFrom: (id: string, revision: string): string => `Started from ${id}, ${revision}.`,
  whatChanged: 'What was changed',
  origin: 'what it was started from',
  retire: 'Retire',
  retireWhy: 'Why it is retired',
  offer: 'Offer it again',
  offerWhy: 'Why it is offered again',
  limitsSheet: 'Limits sheet',
  compose: 'Compose',
  compare: 'Compare',
  compareTitle: (title: string): string => `${title}: two revisions`,
  from: 'From',
  to: 'To',
  show: 'Show',
  same: 'Both say the same.',
  kinds: { added: 'Added', gone: 'Gone', changed: 'Changed' },
  entry: 'Entry',
  field: 'Field',
  before: 'Before',
  after: 'After',
  nothing: '–',
  wouldChange: 'What it would change',
  noUses: 'No job is open or signed on a machine of this book.',
  openJob: 'open job',
  lastJob: 'last signed job',
  noVerdicts: 'Every verdict stays as it is.',
  lost: (names: string): string => `Cannot be taken: it has measured ${names}, which this revision does not have.`,
  takeUse: (machine: string): string => `Use it on ${machine}, with its open job`,
  taken: (revision: string): string => `Measured against ${revision} from now on.`,
  takeFor: 'Use it on a machine',
  takeForAbout: 'New jobs of the machine are measured against this book from now on.',
  machine: 'Machine',
  useIt: 'Use it',
  lists: {
    documents: 'Document',
    variants: 'Type',
    parts: 'Part',
    characteristics: 'Characteristic',
    limits: 'Limit',
    fits: 'Fit',
    equalParts: 'Equal parts',
    closings: 'Cross-check',
    levels: 'Level',
    cautions: 'Caution',
    procedure: 'Step',
    positions: 'Position',
    joints: 'Joint',
    temporaries: 'Temporary item',
    findingRules: 'Rule for findings',
    patterns: 'Damage pattern',
    handTests: 'Hand test',
  } as Readonly<Record<ChangedEntry['list'], string>>,
  byFormula: 'by type or formula',
  sides: { upper: 'at most', lower: 'at least' },
  whenPassed: { mend: 'mend', replace: 'replace' },
  csvHeader: [
    'Assembly',
    'Measured',
    'Value',
    'Side',
    'New, least',
    'New, greatest',
    'Plan limit',
    'Wear limit',
    'Unit',
    'When passed',
    'Instruction',
    'Document',
    'Page',
  ],
} as const
