import type { Assembly } from '../assembly'

export const lift: Assembly = {
  id: 'lift',
  name: 'Lift',
  one: 'Lift',
  also: 'load sling hook crane eye bolts rigging centre of gravity',
  questions: [
    { id: 'hooks', text: 'Hooks', answers: ['1', '2', '4'] },
    { id: 'eyes', text: 'Lifting eyes', answers: ['2', '1', '3', '4'] },
  ],
  parts: [
    { id: 'eyes', name: 'Lifting eyes', count: '{eyes}' },
    { id: 'gear', name: 'Slings, shackles and hooks' },
  ],
  measures: [
    {
      id: 'threads',
      of: 'eyes',
      name: 'Threads of the eyes',
      by: 'visualCheck',
      set: { question: 'Sound, screwed home to the shoulder, in line with the pull?', points: '{eyes}', wanted: 'yes' },
      wants: [['notAsWanted', 'upper']],
      safety: true,
    },
    {
      id: 'gear',
      of: 'gear',
      name: 'Gear inspected',
      by: 'visualCheck',
      set: { question: 'Tag legible, in date, undamaged, rated for its share at its angle?', points: '{hooks}', wanted: 'yes' },
      wants: [['notAsWanted', 'upper']],
      safety: true,
    },
  ],
  looks: [
    {
      of: 'gear',
      kinds: ['crack', 'bent', 'corrosion', 'wearStep'],
      from: 'light',
      asks: 'replace',
      text: 'Doubtful gear is taken out of use and marked.',
    },
    {
      of: 'eyes',
      kinds: ['bent', 'threadDamage', 'crack'],
      from: 'light',
      asks: 'replace',
      text: 'A bent eye does not lift again.',
    },
  ],
  steps: [
    {
      phase: 'strip',
      name: 'Lift planned by a competent person',
      text: 'Mass, centre of gravity, share of each of {hooks}, angle, rating as marked. One signaller. Tag lines. Nobody under it.',
      cautions: ['lifting'],
      holdPoint: true,
      measures: ['threads', 'gear'],
    },
    {
      phase: 'rebuild',
      name: 'The same plan for the way back',
      text: 'Gear looked at again. Eyes counted out.',
      cautions: ['lifting'],
    },
  ],
  lay: {
    safety: ['Barrier around the lift', 'Tag lines'],
    people: [{ name: 'Competent person for the lift', licensed: 'liftingGear' }],
  },
}
