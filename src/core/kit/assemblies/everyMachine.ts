import type { KitStep } from '../assembly'

/** What holds for every machine, before anything is added to it. */
export const everyMachine = {
  document: 'General trade practice, not the maker',
  level: { name: 'Overhaul', about: 'The whole machine. The maker’s instructions stand above everything here.' },
  /** Where a part sits that nothing else holds. */
  onIt: 'on the machine',
  /** How much of a consumable is laid out. */
  asNeeded: 'as the manual says',
  steps: [
    {
      stage: 'makeSafe',
      name: 'Isolate, lock and tag every source of energy',
      text: 'Electric, pressure, hydraulic, springs, raised loads, what may turn or roll back. Each person hangs their own lock. Try to start it.',
      cautions: ['isolation', 'stored-pressure'],
      gate: true,
    },
    {
      stage: 'makeSafe',
      name: 'The maker’s manual lies at hand',
      text: 'Its instructions stand above these steps. What it forbids is not done; what it demands is added here.',
    },
    {
      stage: 'asFound',
      name: 'Picture of the machine as it came, from all sides',
      text: 'Name plate, pipes, cables and settings with it.',
    },
    {
      stage: 'strip',
      name: 'Lay parts out in the order they come off, marked before they part',
      text: 'Every joint is marked across itself. Parts of a pair stay together.',
      cautions: ['may-fall', 'protection'],
    },
    {
      stage: 'look',
      name: 'Look first, then clean, then look again',
      text: 'Deposits and oil tell what happened: they are noted and kept before they are washed off.',
      cautions: ['solvents'],
    },
  ] satisfies readonly KitStep[] as readonly KitStep[],
}
