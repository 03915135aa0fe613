import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces'
import type { ReportContent } from '../../../contract/answers'
import { evidenceLines, type Sealed } from '../../../contract/evidenceWords'
import type { NoteFacts, ReportWords } from '../../../contract/reportWords'
import { fitStageLines, stageLines } from '../../../contract/stageLines'
import { bookWords, CAUTION, documentWords, fitWord, formatMoment, policyWords } from '../../../contract/words'
import { formatLength, formatSignedLength, unitLabel } from '../../../core/quantity/format'
import { meterOf } from '../../../core/quantity/meter'
import { stages } from '../../../core/record/stage'
import { stageName, stepName, verdictName } from '../../../core/words/labels'
import { ranAtWords, ranWords } from '../../../core/words/meter'
import { ribbonOf } from '../../../drawing/ribbonScale'
import { say } from '../../../labels/report'
import { contactSvg } from '../../../report/contactPicture'
import { type MeasurementSheet, measurementSheets, partLines } from '../../../report/reportFacts'
import { reportWords } from '../../../report/reportWords'
import type { SignedReport } from '../report'
import { SYMBOLS } from './fonts'
import { ribbonSvg } from './ribbonSvg'

type Style = { readonly [key: string]: unknown }

/** Text in one face, with the signs it lacks set in the symbol face. */
function lettered(text: string, font: 'Text' | 'Figure' = 'Text'): { text: string; font: string }[] {
  const runs: { text: string; font: string }[] = []
  let from = 0
  for (const match of text.matchAll(SYMBOLS)) {
    if (match.index > from) runs.push({ text: text.slice(from, match.index), font })
    runs.push({ text: match[0], font: 'Symbols' })
    from = match.index + match[0].length
  }
  if (from < text.length || runs.length === 0) runs.push({ text: text.slice(from), font })
  return runs
}

const words = (text: string, style: Style = {}): Content => ({ text: lettered(text), ...style }) as Content
const figures = (text: string, style: Style = {}): Content =>
  ({ text: lettered(text, 'Figure'), fontSize: 8.5, ...style }) as Content
const QUIET = { color: '#4a5463', fontSize: 8 }
const HEAD = { bold: true, color: '#4a5463', fontSize: 8 }
const heading = (text: string): Content =>
  words(text.toUpperCase(), {
    bold: true,
    fontSize: 10,
    color: '#4a5463',
    margin: [0, 14, 0, 5],
    characterSpacing: 0.6,
    headlineLevel: 1,
  })

const RULES = {
  hLineWidth: (row: number, node: { table: { body: unknown[] } }): number =>
    row === 1 ? 0.9 : row === 0 || row === node.table.body.length ? 0 : 0.4,
  vLineWidth: (): number => 0,
  hLineColor: (row: number): string => (row === 1 ? '#1b2330' : '#d5cfbf'),
  paddingLeft: (): number => 0,
  paddingRight: (): number => 8,
  paddingTop: (): number => 2.5,
  paddingBottom: (): number => 2.5,
}

function table(widths: (string | number)[], head: readonly string[], body: TableCell[][]): Content {
  return {
    table: { widths, headerRows: 1, dontBreakRows: true, body: [head.map((text) => words(text, HEAD) as TableCell), ...body] },
    layout: RULES,
  } as Content
}

/** A signed report as a document for the PDF printer: the same facts, in the same order, as the page. */
export function reportPdf({ content, sha256, key }: SignedReport): TDocumentDefinitions {
  const { machine } = content.record
  const said = reportWords(content)
  return {
    pageSize: 'A4',
    pageMargins: [42, 44, 42, 52],
    info: {
      title: say.inspectionReportPaper(machine.station, machine.name, content.title),
      author: content.signature.by,
      creationDate: new Date(content.signature.at),
    },
    defaultStyle: { font: 'Text', fontSize: 9.5, color: '#1b2330', lineHeight: 1.15 },
    footer: (page, pages) =>
      ({
        columns: [
          words(CAUTION, QUIET),
          figures(`${sha256.slice(0, 16)} …  ${page} / ${pages}`, {
            alignment: 'right',
            color: '#4a5463',
            fontSize: 8,
            width: 190,
          }),
        ],
        margin: [42, 16, 42, 0],
      }) as Content,
    content: [
      words(say.inspectionReport, { bold: true, fontSize: 20 }),
      words(`${machine.station}, ${machine.name} · ${content.title}`, { color: '#4a5463', fontSize: 11, margin: [0, 0, 0, 8] }),
      { canvas: [{ type: 'line', x1: 0, y1: 0, x2: 511, y2: 0, lineWidth: 1.4, lineColor: '#1b2330' }], margin: [0, 0, 0, 8] },
      facts(content),
      ...before(said.notes),
      heading(say.verdicts),
      verdicts(content, said.results),
      ...sheetsWithHeading(content),
      together([heading(say.fits(unitLabel(machine.units))), fits(content)]),
      heading(say.whoDidWhat),
      history(content, said.notes.log),
      signature(content, { sha256, key }),
    ],
  }
}

/** Kept on one page. */
const together = (stack: Content[]): Content => ({ unbreakable: true, stack }) as Content

/** The first sheet takes the heading with it to the next page. */
function sheetsWithHeading(content: ReportContent): Content[] {
  const sheets = measurementSheets(content).map((sheet) => measurement(sheet, content))
  const title = heading(say.asFoundFigures)
  const [first, ...others] = sheets
  return first ? [together([title, first]), ...others] : [title, words(say.nothingMeasured)]
}

function facts({ record: { job, book, machine }, reason, openedBy }: ReportContent): Content {
  const meter = meterOf(machine)
  const row = (a: string, b: Content, c: string, d: Content): TableCell[] => [
    words(a, QUIET) as TableCell,
    b as TableCell,
    words(c, QUIET) as TableCell,
    d as TableCell,
  ]
  return {
    table: {
      widths: [70, '*', 70, '*'],
      body: [
        row(say.reason, words(reason), say.opened, words(say.by(job.date, openedBy))),
        row(
          say.runningHours,
          figures(ranAtWords(job.runningHours, meter)),
          say.mustThenRun,
          figures(ranWords(job.mustRunHours, meter)),
        ),
        row(say.limitBook, words(bookWords(book)), say.documents, words(book.documents.map(documentWords).join('; '))),
        row(
          say.policy,
          words(policyWords(job.policy).join('; ')),
          say.nextOverhaul,
          figures(say.at(ranAtWords(job.runningHours + job.mustRunHours, meter))),
        ),
      ],
    },
    layout: 'noBorders',
  } as Content
}

/** What was found before the gauge, as on the page. */
function before({ scope, complaint, findings, looked, lay, openCauses, exceptions }: NoteFacts): Content[] {
  const found = findings.map(({ title, detail, cause }): TableCell[] => [
    words(title, { bold: true }) as TableCell,
    words(detail, QUIET) as TableCell,
    words(cause ?? '! open', cause ? {} : { bold: true, color: '#b04a14' }) as TableCell,
  ])
  const body: Content[] = [
    ...scope.map((line) => words(`${line}.`)),
    ...(complaint ? [words(say.complaintPaper(complaint.text, complaint.standing), { margin: [0, 2, 0, 2] })] : []),
    ...(found.length > 0 ? [table([170, '*', 120], [say.finding, say.whatSeen, say.cause], found)] : []),
    ...(looked.length > 0 ? [words(`${looked.join('. ')}.`, { ...QUIET, margin: [0, 3, 0, 0] })] : []),
    ...(lay.length > 0
      ? [
          table(
            [170, '*'],
            [say.howLay, say.tagFacingMarks],
            lay.map(({ name, words: says }): TableCell[] => [
              words(name) as TableCell,
              words(says, { fontSize: 8.5 }) as TableCell,
            ]),
          ),
        ]
      : []),
    ...(openCauses.length > 0
      ? [words(say.causesStillOpen(openCauses.join('; ')), { bold: true, color: '#b04a14', margin: [0, 3, 0, 0] })]
      : []),
    ...(exceptions.length > 0
      ? [
          words(say.notAsShould, { bold: true, margin: [0, 5, 0, 1] }),
          ...exceptions.map((line) => words(`– ${line}`, { fontSize: 8.5 })),
        ]
      : []),
  ]
  return body.length === 0 ? [] : [heading(say.beforeGauge), ...body]
}

function verdicts(content: ReportContent, said: ReportWords['results']): Content {
  const rows = partLines(content).map(({ part, result, decided, flagged, leftOut }): TableCell[] => {
    const inspector: Content[] = decided
      ? [
          words(verdictName[decided.verdict], { bold: true }),
          ...(decided.way === null ? [] : [words(decided.way, QUIET)]),
          words(`${decided.by}${decided.departs ? `, departing: ${decided.reason ?? ''}` : ''}`, QUIET),
          ...(flagged ? [words(say.departsSafetyMarked, { bold: true, color: '#b04a14', fontSize: 8 })] : []),
        ]
      : [words(leftOut ? say.notRequired : say.notDecided, QUIET)]
    const reasons = result.votes.slice(0, 3).map(({ source }, index) =>
      words(`${said.parts[part.id]?.votes[index]?.reason ?? ''}${source ? ` (${source.document}, ${source.page})` : ''}`, {
        fontSize: 8.5,
      }),
    )
    const way = result.way && result.verdict !== 'reuse' ? [words(say.wayPaper(said.parts[part.id]?.way ?? ''), QUIET)] : []
    return [
      { stack: [words(part.name, { bold: true }), words(part.position, QUIET)] },
      {
        stack: [
          words(verdictName[result.verdict], { bold: true }),
          ...stageLines(result).map(({ stage, verdict }) => words(`${stage}: ${verdictName[verdict].toLowerCase()}`, QUIET)),
        ],
      },
      { stack: inspector },
      { stack: [...reasons, ...way] },
    ]
  })
  return table([112, 66, 96, '*'], [say.part, say.recommended, say.inspector, say.reasons], rows)
}

function measurement(
  {
    characteristic,
    result,
    readings,
    reductions,
    gauges,
    contact,
    verdictName,
    unit,
    stages: again,
    later,
    changes,
  }: MeasurementSheet,
  { record }: ReportContent,
): Content {
  const typed = readings.map(({ place, reading, value, corrected, note }): TableCell[] => [
    words(`${place}${corrected ? say.wasPaper(corrected.text, corrected.reason) : ''}${note === '' ? '' : ` (noted: ${note})`}`, {
      fontSize: 8.5,
    }) as TableCell,
    figures(reading?.text ?? '') as TableCell,
    figures(value, { alignment: 'right' }) as TableCell,
  ])
  const values = reductions.map(({ name, value, limits, source }): TableCell[] => [
    words(name, { fontSize: 8.5 }) as TableCell,
    figures(value, { alignment: 'right', noWrap: true }) as TableCell,
    words(source === '' ? limits : `${limits} (${source})`, QUIET) as TableCell,
  ])
  return {
    margin: [0, 4, 0, 8],
    unbreakable: true,
    stack: [
      {
        columns: [
          words(unit === '' ? characteristic.name : `${characteristic.name}, ${unit}`, {
            bold: true,
            fontSize: 11,
            width: 'auto',
          }),
          words(gauges === '' ? say.notMeasured : gauges, { ...QUIET, margin: [10, 2.5, 0, 0] }),
          words(verdictName, { bold: true, alignment: 'right', width: 80 }),
        ],
      },
      {
        columns: [
          { width: 200, stack: [table(['*', 'auto', 'auto'], [say.place, say.asTyped, say.reading], typed)] },
          {
            width: '*',
            stack: [
              ...(contact ? [{ ...contactSvg(contact), margin: [0, 0, 0, 4] } as Content] : []),
              table(['auto', 'auto', '*'], [say.result, say.value95, say.limitSource], values),
              {
                svg: ribbonSvg(ribbonOf(characteristic, result, record.job.policy), 290, record.machine.units),
                width: 290,
                margin: [0, 2, 0, 0],
              },
              ...(again.length > 0 ? [stagesTable(again)] : []),
              ...[...later, ...changes].map((line) => words(line, QUIET)),
            ],
          },
        ],
        columnGap: 18,
      },
    ],
  } as Content
}

const stagesTable = (rows: MeasurementSheet['stages']): Content =>
  table(
    ['*', 'auto', 'auto', 'auto'],
    [say.stageStage, ...stages.map((stage) => stageName[stage])],
    rows.map(({ name, values }): TableCell[] => [
      words(name, { fontSize: 8.5 }) as TableCell,
      ...values.map((value) => figures(value, { alignment: 'right', noWrap: true }) as TableCell),
    ]),
  )

function fits({ record, results }: ReportContent): Content {
  const { units } = record.machine
  const rows = results.fits.flatMap((fit): TableCell[][] => {
    const spec = record.book.fits.find(({ id }) => id === fit.id)
    if (!spec) return []
    const figure = (mm: number | null): string => (mm === null ? '–' : formatLength(mm, units, spec.showTo))
    const limits = spec.limits
      .map(
        (limit) => `${limit.side === 'upper' ? '≤' : '≥'} ${figure(limit.wear)} (${limit.source.document}, ${limit.source.page})`,
      )
      .join('; ')
    const closures = fit.closures.map((closure) =>
      say.withinPaper(
        closure.station,
        formatSignedLength(closure.differenceMm, units, spec.showTo),
        closure.agrees ? 'agree' : 'disagree',
        figure(closure.allowedMm),
      ),
    )
    return [
      [
        words(spec.name) as TableCell,
        {
          stack: [
            figures(`${figure(fit.clearance.minimumMm)} … ${figure(fit.clearance.maximumMm)}`),
            ...fitStageLines(fit).map(({ stage, minimumMm, maximumMm, words: says }) =>
              words(`${stage}: ${figure(minimumMm)} … ${figure(maximumMm)}, ${says}`, QUIET),
            ),
          ],
        },
        words(limits, QUIET) as TableCell,
        { stack: closures.length === 0 ? [words('–')] : closures.map((text) => words(text, { fontSize: 8.5 })) },
        words(fitWord[fit.verdict], { bold: true }) as TableCell,
      ],
    ]
  })
  return table([90, 84, '*', '*', 62], [say.fit, say.clearanceFromParts, say.limitsSource, say.stripParts, say.verdict], rows)
}

function history(content: ReportContent, log: NoteFacts['log']): Content {
  const { confirmations, review, record } = content
  const row = (what: string, by: string, at: string, note: string): TableCell[] => [
    words(what, { fontSize: 8.5 }) as TableCell,
    words(by, { fontSize: 8.5 }) as TableCell,
    figures(formatMoment(at)) as TableCell,
    words(note, QUIET) as TableCell,
  ]
  const partName = (id: string): string => record.book.parts.find((part) => part.id === id)?.name ?? id
  return table(
    [140, 80, 110, '*'],
    [say.what, say.who, say.when, say.note],
    [
      ...confirmations.map(({ step, by, at, note }) => row(say.confirmed(stepName[step]), by, at, note)),
      ...log.map(({ what, by, at }) => row(what, by, at, '')),
      ...record.decisions.map(({ part, decided, by, at }) =>
        row(`${partName(part)}: ${verdictName[decided].toLowerCase()}`, by, at, ''),
      ),
      ...review.map(({ kind, by, at, note }) =>
        row({ sent: say.sentReviewer, returned: say.returnedTitle, signed: say.signed, ended: say.ended }[kind], by, at, note),
      ),
    ],
  )
}

function signature(content: ReportContent, sealed: Sealed): Content {
  const {
    signature: { by, at, statement },
    sequence,
  } = content
  return {
    unbreakable: true,
    margin: [0, 14, 0, 0],
    table: {
      widths: ['*'],
      body: [
        [
          {
            margin: [8, 6, 8, 6],
            stack: [
              words(say.signedSignatureMachine(by, formatMoment(at), sequence), { bold: true }),
              words(statement, { margin: [0, 3, 0, 3] }),
              ...evidenceLines(content, sealed).map((line) => figures(line, { fontSize: 7.5 })),
            ],
          },
        ],
      ],
    },
  } as Content
}
