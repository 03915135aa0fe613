import type { Assembly } from '../assembly'

export const crankshaftLine: Assembly = {
  id: 'crankshaftLine',
  name: 'Crankshaft or long shaft line',
  one: 'Crankshaft',
  also: 'deflection webs main bearings journals',
  questions: [
    { id: 'cranks', text: 'Cranks', answers: ['1', '2', '3', '4', '5', '6', '8'] },
    { id: 'mains', text: 'Main journals', answers: ['2', '3', '4', '5', '6', '7', '9'] },
  ],
  parts: [
    {
      id: 'shaft',
      name: 'Crankshaft',
      routes: [
        { name: 'Polish', mends: ['mains', 'pins'] },
        { name: 'Grind to step', mends: ['mains', 'pins'], restores: ['fillets and oil holes'] },
      ],
    },
    { id: 'bearings', name: 'Main bearings', count: '{mains}', set: [] },
    { id: 'keys', name: 'Pins and keys' },
  ],
  measures: [
    {
      id: 'deflection',
      of: 'shaft',
      name: 'Web deflection round a turn',
      by: 'runout',
      set: { stations: '{cranks}', angles: '0, 90, 180, 270' },
      fine: true,
      pose: 'Bearings in, machine as it runs; cold',
      how: 'Dial between the webs, zero near the rod at the bottom, turned the way it runs.',
      wants: [['totalIndicated', 'upper']],
    },
    {
      id: 'mains',
      of: 'shaft',
      name: 'Main journals Ø',
      by: 'outsideDiameter',
      set: { stations: '{mains}', directions: '2' },
      fine: true,
      wants: [
        ['minimum', 'lower'],
        ['outOfRound', 'upper'],
      ],
    },
    {
      id: 'pins',
      of: 'shaft',
      name: 'Crank pins Ø',
      by: 'outsideDiameter',
      set: { stations: '{cranks}', directions: '2' },
      fine: true,
      wants: [
        ['minimum', 'lower'],
        ['outOfRound', 'upper'],
      ],
    },
    {
      id: 'runout',
      of: 'shaft',
      name: 'Runout along the mains',
      by: 'runout',
      set: { stations: '{mains}', angles: '8' },
      fine: true,
      wants: [['totalIndicated', 'upper']],
    },
    {
      id: 'clearance',
      of: 'bearings',
      name: 'Main bearing clearances',
      by: 'setDimension',
      set: { points: '{mains}' },
      gauge: 'stripScale',
      wants: [
        ['maximum', 'upper'],
        ['minimum', 'lower'],
        ['variation', 'upper'],
      ],
    },
    {
      id: 'float',
      of: 'shaft',
      name: 'End float',
      by: 'endFloat',
      set: { repeats: '3', repeatability: '0.02 mm' },
      wants: [
        ['minimum', 'lower'],
        ['maximum', 'upper'],
      ],
    },
  ],
  looks: [
    {
      of: 'shaft',
      kinds: ['crack'],
      from: 'light',
      asks: 'replace',
      text: 'Cracks at fillets or oil holes: stop, and ask who may judge them.',
    },
    {
      of: 'shaft',
      kinds: ['scoring', 'heatColour', 'galling'],
      from: 'marked',
      asks: 'recondition',
      text: 'Colour at a journal: hardness and cracks are tested before grinding.',
    },
    {
      of: 'bearings',
      kinds: ['metalTouch', 'galling', 'spalling'],
      from: 'light',
      asks: 'replace',
      text: 'A wiped bearing beside a sound one: the line is off. Deflections tell it.',
    },
  ],
  steps: [
    {
      stage: 'asFound',
      name: 'Deflections before anything is slackened',
      text: 'Bearings in and the machine as it runs. Temperature of the frame is noted.',
      cautions: ['turning-by-hand'],
      measures: ['deflection', 'float'],
    },
    {
      stage: 'strip',
      name: 'Main bearings opened one after the other',
      text: 'Each cap and shell to its place.',
      cautions: ['lifting'],
      removes: ['bearings'],
    },
    {
      stage: 'look',
      name: 'Fillets and oil holes tested for cracks',
      text: 'As the manual asks. Bearings stand beside each other to be compared.',
    },
  ],
  lay: { tools: ['Deflection gauge', 'Turning gear'] },
}
