/** The unit system a machine is recorded in; the other one is shown on demand. */
export type UnitSystem = 'metric' | 'inch'
