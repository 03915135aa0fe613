import type { Assembly } from '../assembly'

export const boltedJoint: Assembly = {
  id: 'boltedJoint',
  name: 'Bolted joint',
  one: 'Joint',
  also: 'flange bolts studs nuts torque tightening pattern stretch',
  questions: [
    { id: 'bolts', text: 'Fasteners', answers: ['8', '4', '6', '12', '16', '20', '24'] },
    { id: 'pattern', text: 'Pattern', answers: ['circle', 'rows'] },
    { id: 'target', text: 'Tightening torque, from the manual', answers: 'torque' },
  ],
  parts: [
    { id: 'bolts', name: 'Bolts or studs', count: '{bolts}', special: 'fitted bolts to their holes' },
    { id: 'nuts', name: 'Nuts', count: '{bolts}' },
    { id: 'locks', name: 'Locking parts', renewed: 'disturbed' },
    { id: 'joint', name: 'Joint ring or gasket', renewed: 'disturbed', asks: 'thickness', form: 'flat' },
    { id: 'faces', name: 'Joint faces', form: 'flat', routes: [{ name: 'Dress the faces', effect: 'takesOff', mends: ['gap'] }] },
  ],
  measures: [
    {
      id: 'loosening',
      of: 'nuts',
      name: 'Breakaway torque',
      by: 'torque',
      set: { fasteners: '{bolts}', arranged: '{pattern}', taken: 'loosening', target: '{target}' },
      wants: [['lowestOfTarget', 'lower']],
      when: { target: 'typed' },
    },
    {
      id: 'final',
      of: 'nuts',
      name: 'Final torque',
      by: 'torque',
      set: { fasteners: '{bolts}', arranged: '{pattern}', taken: 'final', target: '{target}' },
      asLeftOnly: true,
      safety: true,
      wants: [
        ['lowestOfTarget', 'lower'],
        ['highestOfTarget', 'upper'],
      ],
      when: { target: 'typed' },
    },
    {
      id: 'length',
      of: 'bolts',
      name: 'Free length',
      by: 'size',
      set: { what: 'length', wears: 'larger', points: '{bolts}' },
      wants: [['maximum', 'upper']],
    },
    {
      id: 'gap',
      of: 'faces',
      name: 'Gap around',
      by: 'gapAtPositions',
      set: { positions: '4' },
      wants: [['oppositeDifference', 'upper']],
    },
  ],
  looks: [
    {
      of: 'bolts',
      kinds: ['threadDamage', 'bent', 'crack', 'corrosion'],
      from: 'light',
      asks: 'replace',
      text: 'Thread, seat under the head, grade mark: all of one grade.',
    },
    {
      of: 'faces',
      kinds: ['leakTrack', 'scratch'],
      from: 'marked',
      asks: 'recondition',
      text: 'A track or a radial scratch leaks.',
    },
  ],
  steps: [
    {
      stage: 'strip',
      name: 'Loosened crosswise in stages',
      text: 'The breakaway torque is read: one loose bolt is a finding.',
      cautions: ['stored-pressure'],
      removes: ['nuts', 'locks', 'bolts', 'joint'],
      measures: ['loosening'],
    },
    {
      stage: 'look',
      name: 'Threads, seats and grade marks',
      text: 'Stretched threads show a waist. Faces clean and flat.',
    },
    {
      stage: 'rebuild',
      name: 'Tightened crosswise, in stages',
      text: 'Dry, oiled or paste as the manual says. Locking parts new. The gap around stays even.',
      cautions: ['hydraulic-tools'],
      measures: ['final', 'gap'],
    },
    {
      stage: 'prove',
      name: 'Joint looked at under pressure or load',
      text: 'No weep, no movement; marks across nut and bolt still in line.',
    },
  ],
}
