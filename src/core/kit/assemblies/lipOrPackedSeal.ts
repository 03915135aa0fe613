import type { Assembly } from '../assembly'

export const lipOrPackedSeal: Assembly = {
  id: 'lipOrPackedSeal',
  name: 'Lip or packed seal, labyrinth',
  one: 'Seal',
  also: 'oil seal gland packing lantern labyrinth felt',
  questions: [
    { id: 'kind', text: 'Kind', answers: ['lip', 'packing', 'labyrinth'] },
    { id: 'rings', text: 'Packing rings', answers: ['4', '3', '5', '6'] },
  ],
  parts: [
    { id: 'lip', name: 'Lip seal', renewed: 'disturbed', asks: 'seal', faces: ['lip in', 'lip out'], when: { kind: ['lip'] } },
    { id: 'packing', name: 'Packing rings', count: '{rings}', renewed: 'disturbed', when: { kind: ['packing'] } },
    { id: 'lantern', name: 'Lantern ring', special: 'opposite its port', when: { kind: ['packing'] } },
    { id: 'labyrinth', name: 'Labyrinth', when: { kind: ['labyrinth'] } },
    {
      id: 'sleeve',
      name: 'Sleeve or shaft under the seal',
      routes: [
        { name: 'Polish', effect: 'takesOff', mends: ['sleeve'] },
        { name: 'Sleeve', effect: 'renews', mends: ['sleeve'] },
      ],
    },
  ],
  measures: [
    {
      id: 'sleeve',
      of: 'sleeve',
      name: 'Ø under the seal',
      by: 'outsideDiameter',
      set: { stations: '2', directions: '2' },
      wants: [
        ['minimum', 'lower'],
        ['outOfRound', 'upper'],
      ],
    },
    {
      id: 'runout',
      of: 'sleeve',
      name: 'Runout under the seal',
      by: 'runout',
      set: { stations: '1', angles: '4' },
      wants: [['totalIndicated', 'upper']],
    },
    {
      id: 'gap',
      of: 'labyrinth',
      name: 'Labyrinth clearance',
      by: 'gapAtPositions',
      set: { positions: '4' },
      wants: [
        ['minimum', 'lower'],
        ['maximum', 'upper'],
      ],
    },
  ],
  looks: [
    {
      of: 'lip',
      kinds: ['hardElastomer', 'crack', 'leakTrack'],
      from: 'light',
      asks: 'replace',
      text: 'A hard lip: heat. A track beside it: the shaft wanders.',
    },
    {
      of: 'sleeve',
      kinds: ['wearStep', 'scoring'],
      from: 'marked',
      asks: 'recondition',
      text: 'A groove the nail catches leaks under a new seal: move the seal, polish, or sleeve.',
    },
    {
      of: 'labyrinth',
      kinds: ['metalTouch', 'bent'],
      from: 'marked',
      asks: 'replace',
      text: 'Rubbed tips: the clearance and the bearings are looked at.',
    },
  ],
  steps: [
    {
      phase: 'strip',
      name: 'Which way the lip faces',
      text: 'Direction and depth noted; lantern opposite its port.',
      removes: ['lip', 'packing', 'lantern', 'labyrinth'],
    },
    { phase: 'look', name: 'Sleeve looked at where it ran', text: 'A groove that a nail catches lets the new seal leak.' },
    {
      phase: 'rebuild',
      name: 'New seal in, lip to its side',
      text: 'Over a sleeve or tape past keyways. Lantern opposite its port; rings staggered.',
      measures: ['gap'],
    },
    {
      phase: 'prove',
      name: 'Run in with a little leakage',
      text: 'Gland nipped up evenly and slowly; a hot gland is too tight.',
    },
  ],
}
