import type { UnitSystem } from '../core/quantity/unitSystem'

/** What a person has set for this device. */
const LETTERS = 'medida-single-letters'
const UNITS = 'medida-units-shown'

/** Units in which figures are shown at the bench: those of the machine, or always the same. */
export type UnitsShown = 'machine' | UnitSystem

export const hasSingleLetters = (): boolean => localStorage.getItem(LETTERS) !== 'off'
export const setSingleLetters = (on: boolean): void => localStorage.setItem(LETTERS, on ? 'on' : 'off')

export function unitsShown(): UnitsShown {
  const set = localStorage.getItem(UNITS)
  return set === 'metric' || set === 'inch' ? set : 'machine'
}
export const setUnitsShown = (units: UnitsShown): void => localStorage.setItem(UNITS, units)
