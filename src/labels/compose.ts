import { assemblies } from '../core/kit/assemblies'
import type { ComposeFault } from '../core/kit/compose'
import { setUpFaultWords } from '../core/words/methods'

export const say = {
  compose: 'Compose',
  composeOf: (machine: string): string => `Compose ${machine}`,
  partByPosition: 'Part by position',
  parts: 'Parts',
  measured: 'Measured',
  countOf: (parts: number, limits: number): string =>
    `${parts} ${parts === 1 ? 'part' : 'parts'}, ${limits} ${limits === 1 ? 'limit' : 'limits'} to type`,
  nothingYet:
    'Nothing yet. Choose an assembly: it brings parts, measurements, fits and steps. You type its limits from your manual.',
  find: 'Find an assembly',
  begins: (words: string): string => `Fits “${words}”`,
  all: 'All assemblies, most used first',
  others: 'The others',
  ofAll: (shown: number, all: number): string => `${shown} of ${all}`,
  into: 'Sits in',
  theMachine: 'the machine itself',
  howMany: 'How many',
  names: 'Names, one a line',
  namesHint: 'As they are called at the bench: Bearing 1, drive side.',
  leaveEmpty: 'May be left empty: what needs it is left out.',
  comes: (count: number): string => (count === 1 ? 'What comes with it' : `What comes with ${count} of them`),
  positions: 'positions',
  sheets: 'measured',
  mates: 'fits',
  steps: 'steps',
  limitsAsked: 'limits asked',
  add: (names: readonly string[], one: string): string =>
    names.length === 1 ? `Add ${names[0] ?? one}` : `Add ${names.length} of ${one.toLowerCase()}`,
  ctrlEnter: 'Ctrl Enter',
  addKey: 'add',
  move: 'drawing',
  toQuestions: 'to its questions',
  tab: 'Tab',
  noNumbers: 'No number comes with an assembly: limits are typed from your manual, which stands above all of this.',
  undo: 'Undo',
  rename: 'Rename',
  copy: 'Copy',
  takeOut: 'Take out',
  mirror: 'Mirror',
  mirrorName: 'Name of the other side',
  detail: 'Details',
  detailOf: (name: string): string => `Details of ${name}`,
  pieces: 'Pieces',
  order: 'Order along it',
  orderHint: 'Counted from one end; empty where it does not matter',
  orderWhole: 'Type a whole number, 1 to 999.',
  side: 'Side',
  sideHint: 'Drive side, inboard, upper …',
  piecesWhole: 'Pieces: a whole number from 1 to 999.',
  facesLabel: 'Ways it can face, one a line',
  facesHint: 'One is noted when it comes out.',
  clock: 'Has a clock direction: of what',
  loose: 'What may fall or fly when it comes out',
  thread: 'Thread',
  threads: { none: 'not said', right: 'right-hand', left: 'left-hand' },
  special: 'Kept apart because',
  asks: 'Asked when it comes out',
  asked: {
    nothing: 'nothing',
    thickness: 'its thickness',
    bearing: 'sizes of the bearing',
    seal: 'sizes of the seal',
    thread: 'sizes of the thread',
  },
  keptWith: 'Stays with',
  save: 'Save',
  cancel: 'Cancel',
  gate: (count: number): string => (count === 0 ? 'Gate inspection …' : `Gate inspection: ${count} …`),
  gateTitle: 'Gate inspection',
  gateAbout:
    'A level of its own: these are measured first. All inside their limits, and the machine is closed again; one beyond, and the overhaul follows. Choose what decides it; nothing chosen, and there is no such level.',
  newName: 'New name',
  copyTo: 'Names of the copies, one a line',
  takeOutOf: (name: string): string => `Take out ${name}?`,
  goesWith: (parts: number, measured: number, fits: number, steps: number): string =>
    `With it go ${parts} ${parts === 1 ? 'part' : 'parts'}, ${measured} measured, ${fits} ${fits === 1 ? 'fit' : 'fits'} and ${steps} ${steps === 1 ? 'step' : 'steps'}. What has readings stays: that is refused.`,
  whatOf: (name: string): string => `What to do with ${name}`,
  issued: 'This machine has an issued limit book. It is not composed further here.',
  mayLook: 'You may look. Inspectors and planners compose.',
  openJob: 'Open a job',
  toJob: 'To the job',
  limits: 'Limits sheet',
  added: (name: string): string => `${name} added.`,
  notReached: 'The server cannot be reached. Nothing typed is lost: try again in a moment.',
}

const questionOf = (id: string): string =>
  assemblies.flatMap(({ questions }) => questions).find((question) => question.id === id)?.text ?? id

/** Why an assembly cannot be added, and what to do. */
export function composeFaultWords(fault: ComposeFault): string {
  switch (fault.code) {
    case 'noAssembly':
      return `There is no assembly “${fault.assembly}”. Choose one from the drawings.`
    case 'noPosition':
      return 'That place is not on this machine any more. Choose another in the list of parts.'
    case 'noMeasurement':
      return 'A measurement that was chosen is not on this machine any more. Choose again.'
    case 'intoItself':
      return 'A part cannot sit inside itself. Choose another place.'
    case 'noName':
      return 'Give each of them a name.'
    case 'nameTaken':
      return `“${fault.name}” is on this machine already. Give it another name.`
    case 'noMethod':
      return `${fault.measurement}: ${fault.why.map((why) => setUpFaultWords(fault.by, why)).join(' ')}`
    case 'notAnAnswer':
      return `“${questionOf(fault.question)}”: “${fault.text}” is none of its answers. Choose one.`
    case 'notAFigure':
      return `“${questionOf(fault.question)}”: “${fault.text}” cannot be read. Type a figure above zero with its unit, or leave it empty.`
  }
}
