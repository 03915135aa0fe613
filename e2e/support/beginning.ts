import { Medida } from './medida'

/** Before all workers: the application is built, and the data folder laid out that each of them copies. */
export default (): Promise<() => void> => Medida.layOut()
