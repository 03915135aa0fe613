import type { Assembly } from '../assembly'

export const shaftAssembly: Assembly = {
  id: 'shaftAssembly',
  name: 'Shaft',
  one: 'Shaft',
  also: 'spindle axle keyway thread runout bow centre',
  questions: [
    { id: 'seats', text: 'Seats measured', answers: ['2', '1', '3', '4', '5', '6'] },
    { id: 'keys', text: 'Keyway', answers: ['one', 'none'] },
    { id: 'thread', text: 'Thread', answers: ['right', 'none', 'left'] },
  ],
  parts: [
    {
      id: 'shaft',
      name: 'Shaft',
      routes: [
        { name: 'Straighten', mends: ['runout'] },
        { name: 'Rebuild seats and grind', mends: ['seats'], restores: ['fillets'] },
      ],
    },
    { id: 'key', name: 'Key', when: { keys: ['one'] }, keptWith: ['shaft'] },
    { id: 'nut', name: 'Nut', asks: 'thread', when: { thread: ['right', 'left'] } },
  ],
  measures: [
    {
      id: 'seats',
      of: 'shaft',
      name: 'Seats Ø',
      by: 'outsideDiameter',
      set: { stations: '{seats}', directions: '2' },
      fine: true,
      wants: [
        ['minimum', 'lower'],
        ['outOfRound', 'upper'],
      ],
    },
    {
      id: 'runout',
      of: 'shaft',
      name: 'Runout along',
      by: 'runout',
      set: { stations: '3', angles: '8' },
      fine: true,
      pose: 'In V-blocks at its bearing seats, or between sound centres',
      wants: [['totalIndicated', 'upper']],
    },
    {
      id: 'shoulder',
      of: 'shaft',
      name: 'Shoulder, runout of its face',
      by: 'runout',
      set: { stations: '1', angles: '4' },
      fine: true,
      wants: [['totalIndicated', 'upper']],
    },
    {
      id: 'keyway',
      of: 'shaft',
      name: 'Keyway width',
      by: 'grooveWidth',
      set: { points: '2' },
      wants: [['maximum', 'upper']],
      when: { keys: ['one'] },
    },
    {
      id: 'key',
      of: 'key',
      name: 'Key width',
      by: 'size',
      set: { what: 'width', points: '2' },
      gauge: 'outsideMicrometer',
      wants: [['minimum', 'lower']],
    },
  ],
  mates: [
    {
      id: 'keyFit',
      name: 'Key in keyway',
      kind: 'keyInKeyway',
      sides: { keyway: 'keyway', key: 'key' },
      mendOn: 'key',
      wants: ['minimum', 'maximum'],
    },
  ],
  looks: [
    { of: 'shaft', kinds: ['crack'], from: 'light', asks: 'replace', text: 'Cracks start at keyways, shoulders and threads.' },
    {
      of: 'shaft',
      kinds: ['creepMarks', 'fretting'],
      from: 'marked',
      asks: 'recondition',
      text: 'What sat there has crept: measure the seat.',
    },
    {
      of: 'shaft',
      kinds: ['threadDamage', 'bent', 'keywayWorn'],
      from: 'marked',
      asks: 'recondition',
      text: 'Before it runs: straight, thread clean, keyway square.',
    },
  ],
  steps: [
    {
      stage: 'strip',
      name: 'Shaft out, centres and threads protected',
      text: '{thread} thread on the nut where it has one. Never struck on its end.',
      cautions: ['lifting', 'may-fall'],
      removes: ['nut', 'key', 'shaft'],
    },
    { stage: 'look', name: 'Cleaned for looking without cutting', text: 'No file and no emery on a seat before it is measured.' },
  ],
}
