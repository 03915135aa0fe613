import type { Assembly } from '../assembly'

export const numberedElements: Assembly = {
  id: 'numberedElements',
  name: 'Spring set, pads, brushes, wear strips',
  one: 'Set',
  also: 'elements brushes pads strips springs pins rows links bucket lips',
  questions: [
    { id: 'count', text: 'How many in the set', answers: ['6', '2', '3', '4', '8', '10', '12', '16', '20', '24'] },
    { id: 'what', text: 'What is measured', answers: ['thickness', 'length', 'diameter'] },
    { id: 'renewed', text: 'Renewed', answers: ['each alone', 'as a set'] },
  ],
  parts: [{ id: 'elements', name: 'Elements', count: '{count}', faces: ['first side', 'turned'] }],
  measures: [
    {
      id: 'thickness',
      of: 'elements',
      name: 'Thickness',
      by: 'size',
      set: { what: 'thickness', points: '{count}' },
      wants: [
        ['minimum', 'lower'],
        ['parallelism', 'upper'],
      ],
      when: { what: ['thickness'] },
    },
    {
      id: 'length',
      of: 'elements',
      name: 'Length',
      by: 'size',
      set: { what: 'length', points: '{count}' },
      wants: [
        ['minimum', 'lower'],
        ['parallelism', 'upper'],
      ],
      when: { what: ['length'] },
    },
    {
      id: 'diameter',
      of: 'elements',
      name: 'Least Ø',
      by: 'outsideDiameter',
      set: { stations: '{count}', directions: '2' },
      wants: [
        ['minimum', 'lower'],
        ['outOfRound', 'upper'],
      ],
      when: { what: ['diameter'] },
    },
  ],
  looks: [
    {
      of: 'elements',
      kinds: ['wearStep'],
      from: 'marked',
      asks: 'recondition',
      text: 'Worn to one side: turn it, and ask what leans on it.',
    },
    {
      of: 'elements',
      kinds: ['crack', 'chipped', 'loosePart'],
      from: 'light',
      asks: 'replace',
      text: 'One that is broken loads its neighbours.',
    },
  ],
  steps: [
    { phase: 'strip', name: 'Numbered where they sit', text: 'Each keeps its place and side.', removes: ['elements'] },
    { phase: 'look', name: 'Laid out in their order', text: 'The sisters beside each other show what leans. Renewed {renewed}.' },
    { phase: 'rebuild', name: 'Back by their numbers', text: 'Side turned or place changed only as decided, and noted.' },
  ],
}
