import type { Assembly } from '../assembly'

export const rodGland: Assembly = {
  id: 'rodGland',
  name: 'Rod gland with segmented rings',
  one: 'Rod gland',
  also: 'stuffing box packing segments garter spring scraper',
  questions: [
    { id: 'rings', text: 'Rings in the gland', answers: ['3', '2', '4', '5', '6', '8'] },
    { id: 'segments', text: 'Segments of a ring', answers: ['3', '2', '4', '6'] },
    { id: 'rodMm', text: 'Rod Ø that gaps are given for', answers: 'length' },
  ],
  parts: [
    { id: 'upper', name: 'Housing half A', keptWith: ['lower'], set: ['lower'], form: 'flat' },
    { id: 'lower', name: 'Housing half B', keptWith: ['upper'], set: ['upper'], form: 'flat' },
    {
      id: 'rings',
      name: 'Segmented rings',
      count: '{rings}',
      faces: ['mark to the crank', 'mark to the cylinder'],
      clock: 'segment joint',
    },
    { id: 'springs', name: 'Garter springs', count: '{rings}', loose: 'A stretched spring whips when it is unhooked.' },
    { id: 'pins', name: 'Guide pins' },
    {
      id: 'rod',
      name: 'Rod',
      routes: [
        { name: 'Polish', mends: ['rod'] },
        { name: 'Grind and coat', mends: ['rod'] },
      ],
    },
  ],
  measures: [
    {
      id: 'rod',
      of: 'rod',
      name: 'Rod Ø',
      by: 'outsideDiameter',
      set: { stations: '5', directions: '2' },
      wants: [
        ['minimum', 'lower'],
        ['outOfRound', 'upper'],
        ['taper', 'upper'],
      ],
    },
    {
      id: 'gap',
      of: 'rings',
      name: 'Gaps with the segments closed together',
      by: 'ringEndGap',
      set: { segments: '{segments}', springs: 'inward', reference: '{rodMm}', runsIn: '@rod' },
      wants: [
        ['gapAtWornDiameter', 'lower'],
        ['total', 'lower'],
      ],
      when: { rodMm: 'typed' },
    },
    {
      id: 'side',
      of: 'rings',
      name: 'Side clearance',
      by: 'sideClearance',
      set: { points: '{rings}' },
      wants: [
        ['minimum', 'lower'],
        ['maximum', 'upper'],
      ],
    },
    {
      id: 'thick',
      of: 'rings',
      name: 'Ring height',
      by: 'size',
      set: { what: 'height', points: '{rings}' },
      gauge: 'outsideMicrometer',
      wants: [['minimum', 'lower']],
    },
    {
      id: 'load',
      of: 'springs',
      name: 'Spring load at its stretched length',
      by: 'meter',
      set: { quantity: 'force', wears: 'smaller', points: '{rings}' },
      gauge: 'springTester',
      wants: [['minimum', 'lower']],
    },
  ],
  looks: [
    { of: 'rings', kinds: ['chipped', 'crack'], from: 'light', asks: 'replace', text: 'A chipped edge leaks and cuts the rod.' },
    {
      of: 'rings',
      kinds: ['burr', 'scoring'],
      from: 'marked',
      asks: 'recondition',
      text: 'A raised edge, also one from measuring, is taken off before the ring goes back.',
    },
    {
      of: 'springs',
      kinds: ['corrosion', 'crack', 'heatColour'],
      from: 'light',
      asks: 'replace',
      text: 'A spring that lost its load lets the segments stand off.',
    },
    {
      of: 'rod',
      kinds: ['scoring', 'scratch'],
      from: 'marked',
      asks: 'recondition',
      text: 'Scores along the rod pass the rings.',
    },
  ],
  steps: [
    {
      stage: 'strip',
      name: 'Each ring marked to its groove and side',
      text: 'Segments keep their mark and place. Halves are eased apart by their screws, never levered on their faces.',
      cautions: ['springs'],
      removes: ['upper', 'lower', 'pins', 'springs', 'rings'],
    },
    {
      stage: 'look',
      name: 'Edges and joints of the segments',
      text: 'Each kind of ring has its own rhythm of renewal: the manual names it.',
    },
  ],
  lay: { consumables: ['Segmented rings and springs as a set'] },
}
