/**
 * Moves the clock of a whole process, packages and all, by as many milliseconds as MEDIDA_CLOCK_AHEAD says: loaded before
 * anything else (`node --import`), by `npm test -- --clock` alone. What runs without it has the machine's clock.
 */
const ahead = Number(process.env.MEDIDA_CLOCK_AHEAD)
if (!Number.isFinite(ahead)) throw new Error('MEDIDA_CLOCK_AHEAD says no milliseconds')
const Machine = Date
const now = () => Machine.now() + ahead

globalThis.Date = new Proxy(Machine, {
  construct: (date, given, made) => Reflect.construct(date, given.length === 0 ? [now()] : given, made),
  apply: () => new Machine(now()).toString(),
  get: (date, name, receiver) => (name === 'now' ? now : Reflect.get(date, name, receiver)),
})
