import type { Assembly } from '../assembly'

export const flexibleJoint: Assembly = {
  id: 'flexibleJoint',
  name: 'Flexible joint or bellows',
  one: 'Bellows',
  also: 'compensator expansion joint hose',
  questions: [{ id: 'rods', text: 'Tie rods', answers: ['yes', 'no'] }],
  parts: [
    { id: 'bellows', name: 'Bellows' },
    { id: 'rods', name: 'Tie rods', count: 4, when: { rods: ['yes'] } },
    { id: 'joints', name: 'Joint rings', count: 2, renewed: 'disturbed', form: 'flat' },
  ],
  measures: [
    {
      id: 'length',
      of: 'bellows',
      name: 'Length, four places',
      by: 'gapAtPositions',
      set: { positions: '4' },
      gauge: 'caliper',
      setting: { is: 'setting', by: 'position', chain: ['bellows'], values: ['minimum', 'maximum', 'oppositeDifference'] },
      wants: [
        ['minimum', 'lower'],
        ['maximum', 'upper'],
        ['oppositeDifference', 'upper'],
      ],
    },
    {
      id: 'offset',
      of: 'bellows',
      name: 'Side offset, four places',
      by: 'gapAtPositions',
      set: { positions: '4' },
      gauge: 'caliper',
      setting: { is: 'setting', by: 'position', chain: ['bellows'], values: ['oppositeDifference'] },
      wants: [['oppositeDifference', 'upper']],
    },
  ],
  looks: [
    {
      of: 'bellows',
      kinds: ['crack', 'corrosion', 'leakTrack'],
      from: 'light',
      asks: 'replace',
      text: 'A crack in a fold runs on.',
    },
    {
      of: 'bellows',
      kinds: ['contamination', 'bent'],
      from: 'marked',
      asks: 'replace',
      text: 'Deposits in the folds keep it from moving.',
    },
  ],
  steps: [
    {
      phase: 'asFound',
      name: 'Lengths and offsets before it is freed',
      text: 'Each against its last record.',
      measures: ['length', 'offset'],
    },
    {
      phase: 'strip',
      name: 'Tie rods slackened only',
      text: 'Slacken only, not off, until the pipe is carried. Not yet: the flange bolts.',
      removes: ['rods'],
    },
    {
      phase: 'strip',
      name: 'Bellows out',
      text: 'The pipe is carried on both sides.',
      cautions: ['lifting', 'stored-pressure'],
      removes: ['bellows', 'joints'],
    },
    { phase: 'look', name: 'Folds looked at inside and out', text: 'Cracks start in the inner folds.' },
    {
      phase: 'rebuild',
      name: 'Bellows in without force',
      text: 'The pipe is carried: it must not be pulled to its flange.',
      cautions: ['lifting'],
      measures: ['length', 'offset'],
    },
    { phase: 'rebuild', name: 'Tie rods set', text: 'To the length the manual gives, not tighter.' },
    {
      phase: 'prove',
      name: 'Compared again under pressure',
      text: 'Lengths against as left; folds move evenly.',
      cautions: ['stored-pressure'],
    },
  ],
}
