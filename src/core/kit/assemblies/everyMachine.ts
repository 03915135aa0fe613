import type { KitStep } from '../assembly'

/** What holds for every machine, before anything is added to it. */
export const everyMachine = {
  document: 'General trade practice, not the maker',
  level: { name: 'Overhaul', about: 'The whole machine. The maker’s instructions stand above everything here.' },
  /** A level that stops where its measurements hold. */
  gate: {
    level: {
      name: 'Gate inspection',
      about: 'Its measurements first: all inside their limits, and the machine is closed again.',
    },
    step: {
      name: 'Gate measurements taken',
      text: 'All inside their limits: clean and close. One of them beyond: the overhaul follows.',
    },
  },
  /** Where a part sits that nothing else holds. */
  onIt: 'on the machine',
  /** How much of a consumable is laid out. */
  asNeeded: 'as the manual says',
  steps: [
    {
      phase: 'makeSafe',
      name: 'Isolate, lock and tag every source of energy',
      text: 'Electric, pressure, hydraulic, springs, raised loads, what may turn or roll back. Each person hangs their own lock. Try to start it.',
      cautions: ['isolation', 'stored-pressure'],
      holdPoint: true,
    },
    {
      phase: 'makeSafe',
      name: 'The maker’s manual lies at hand',
      text: 'Its instructions stand above these steps. What it forbids is not done; what it demands is added here.',
    },
    {
      phase: 'asFound',
      name: 'Picture of the machine as it came, from all sides',
      text: 'Name plate, pipes, cables and settings with it.',
    },
    {
      phase: 'strip',
      name: 'Lay parts out in the order they come off, marked before they part',
      text: 'Every joint is marked across itself. Parts of a pair stay together.',
      cautions: ['may-fall', 'protection'],
    },
    {
      phase: 'look',
      name: 'Look first, then clean, then look again',
      text: 'Deposits and oil tell what happened: they are noted and kept before they are washed off.',
      cautions: ['solvents'],
    },
    {
      phase: 'rebuild',
      name: 'Clean and clear before anything closes',
      text: 'No foreign matter, no burrs: those that measuring raised are dressed too.',
      cautions: ['protection'],
    },
    {
      phase: 'prove',
      name: 'Everything temporary counted out',
      text: 'Covers, caps, shims, wire, strip, lifting eyes: none stays inside.',
    },
    {
      phase: 'prove',
      name: 'Right kind and amount of lubricant in',
      text: 'As the manual names it; turned until it is seen where it must be.',
    },
    {
      phase: 'prove',
      name: 'Turned by hand',
      text: 'Two turns, nothing binds. Where the maker forbids it, say so and skip.',
      cautions: ['turning-by-hand'],
    },
    {
      phase: 'prove',
      name: 'Return to service',
      last: true,
      text: 'Valves and guards back, gear and people clear. Each person takes off their own lock.',
      cautions: ['isolation'],
    },
    {
      phase: 'prove',
      name: 'First run watched',
      last: true,
      text: 'Noise, heat, vibration, leaks, pressures: against the figures before it was stopped.',
    },
    {
      phase: 'prove',
      name: 'Looked at again after a short time in service',
      last: true,
      text: 'Bolts, leaks, levels and settings.',
    },
  ] satisfies readonly KitStep[] as readonly KitStep[],
}
