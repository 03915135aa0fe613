import type { Assembly } from '../assembly'

export const solidBush: Assembly = {
  id: 'solidBush',
  name: 'Solid sleeve or bush',
  one: 'Bush',
  also: 'bearing plain pressed guide',
  questions: [
    { id: 'stations', text: 'Stations along the bore', answers: ['2', '1', '3'] },
    { id: 'finish', text: 'Size after pressing', answers: ['may be machined', 'as supplied'] },
    { id: 'oil', text: 'Oil hole', answers: ['yes', 'no'] },
  ],
  parts: [
    {
      id: 'bush',
      name: 'Bush',
      faces: ['oil hole up', 'other end first'],
      routes: [{ name: 'Renew and press in', mends: ['bore'] }],
    },
    { id: 'housing', name: 'Housing', form: 'flat' },
    { id: 'journal', name: 'Journal or pin', routes: [{ name: 'Polish', mends: ['journal'] }] },
  ],
  measures: [
    {
      id: 'bore',
      of: 'bush',
      name: 'Bore Ø',
      by: 'boreDiameter',
      set: { stations: '{stations}', directions: '2' },
      fine: true,
      wants: [
        ['maximum', 'upper'],
        ['outOfRound', 'upper'],
      ],
    },
    {
      id: 'outside',
      of: 'bush',
      name: 'Outside Ø, out of its housing',
      by: 'outsideDiameter',
      set: { stations: '{stations}', directions: '2' },
      fine: true,
      wants: [['minimum', 'lower']],
      how: 'Only where the bush comes out.',
    },
    {
      id: 'seat',
      of: 'housing',
      name: 'Housing bore Ø',
      by: 'boreDiameter',
      set: { stations: '{stations}', directions: '2' },
      fine: true,
      wants: [
        ['maximum', 'upper'],
        ['outOfRound', 'upper'],
      ],
    },
    {
      id: 'journal',
      of: 'journal',
      name: 'Journal Ø',
      by: 'outsideDiameter',
      set: { stations: '{stations}', directions: '2' },
      fine: true,
      wants: [
        ['minimum', 'lower'],
        ['outOfRound', 'upper'],
      ],
    },
    { id: 'length', of: 'bush', name: 'Length', by: 'size', set: { what: 'length', points: '2' }, wants: [['minimum', 'lower']] },
  ],
  mates: [
    {
      id: 'running',
      name: 'Journal in bush',
      kind: 'shaftInBore',
      sides: { bore: 'bore', journal: 'journal', strip: null },
      mendOn: 'bush',
      wants: ['minimum', 'maximum'],
    },
    {
      id: 'pressed',
      name: 'Bush in housing',
      kind: 'shrinkFit',
      sides: { bore: 'seat', shaft: 'outside' },
      with: { heating: null },
      mendOn: 'bush',
      wants: ['minimum', 'maximum'],
    },
  ],
  looks: [
    {
      of: 'bush',
      kinds: ['loosePart', 'creepMarks'],
      from: 'light',
      asks: 'replace',
      text: 'A bush that has turned covers its oil hole and has lost its press fit: measure the housing.',
    },
    {
      of: 'bush',
      kinds: ['scoring', 'galling', 'crack'],
      from: 'marked',
      asks: 'replace',
      text: 'Scored or seized: look at the oil way and at the journal.',
    },
    {
      of: 'journal',
      kinds: ['scoring', 'galling'],
      from: 'marked',
      asks: 'recondition',
      text: 'A scored journal cuts the new bush.',
    },
  ],
  steps: [
    {
      stage: 'strip',
      name: 'Note which way the bush sits before it is pressed out',
      text: 'Oil hole to its oil way, flange to its side. Press square, on the whole face.',
      cautions: ['hydraulic-tools'],
      removes: ['bush'],
    },
    {
      stage: 'look',
      name: 'Oil hole open and in line',
      text: 'Pressing in closes the bore: it is measured after pressing. A bush that comes finished, lined or sintered is not machined to size.',
    },
  ],
  lay: { tools: ['Press or puller with a stepped mandrel'] },
}
