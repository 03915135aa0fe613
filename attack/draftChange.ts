import type { Random } from '../src/core/base/random.fixture'
import { TEXTS } from './texts'

/** A change of the draft of a machine’s book. */
export function anyDraftChange(random: Random): unknown {
  const place = { of: 'bearing-1-bore', judges: random.pick(['maximum', 'range']), side: random.pick(['upper', 'lower']) }
  return random.pick([
    {
      kind: 'add',
      assembly: random.pick(['gearPair', 'lift', 'spaceship']),
      names: [random.pick(TEXTS)],
      into: null,
      answers: {},
    },
    { kind: 'rename', position: 'bearing-1', name: random.pick(TEXTS) },
    { kind: 'copy', position: 'bearing-1', names: ['Bearing 2', random.pick(TEXTS)] },
    { kind: 'takeOut', position: random.pick(['bearing-1', 'attic']) },
    { kind: 'back', revision: 'draft 1' },
    { kind: 'begin' },
    { kind: 'want', ...place },
    {
      kind: 'setting',
      of: place.of,
      setting: random.pick([{ is: 'wear' }, { is: 'both', by: 'shims', chain: [random.pick(['bearing-1-cap', 'nowhere'])] }]),
    },
    {
      kind: 'limits',
      rows: [
        {
          ...place,
          new: random.pick(['', '80 H7', '80.03 … 80.06']),
          plan: '',
          wear: random.pick(TEXTS).slice(0, 60),
          whenPassed: 'mend',
          instruction: '',
          document: 'D',
          page: '1',
        },
      ],
    },
    {
      kind: 'route',
      replaces: random.pick([null, 'scrape-to-bed', 'attic']),
      what: {
        of: 'route',
        part: random.pick(['bearing-1-lower', 'attic']),
        name: random.pick(TEXTS).slice(0, 200),
        mends: [random.pick(['bearing-1-bore', 'nowhere'])],
        effect: random.pick(['takesOff', 'renews']),
        leaves: { of: 'bearing-1-bore', least: random.pick(TEXTS).slice(0, 60), greatest: '80.5', cleanUp: '0' },
        suits: random.pick([[], ['bearing-1-clearance'], ['nowhere']]),
        cost: null,
        days: null,
        source: { document: { id: 'D', title: 'D', revision: '' }, page: '1' },
      },
    },
    { kind: 'check', rows: [{ ...place, agrees: random.chance(0.5), note: random.pick(TEXTS).slice(0, 400) }] },
  ])
}
