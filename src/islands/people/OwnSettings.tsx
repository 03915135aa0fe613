import { useEffect, useState } from 'react'
import { say } from '../../labels/people'
import { Choice } from '../../ui/Choice'
import { hasSingleLetters, setSingleLetters, setUnitsShown, type UnitsShown, unitsShown } from '../ownSettings'
import styles from './people.module.css'

type Theme = 'light' | 'dark'

/** What a person sets for this device: it works at once and needs no saving. */
export function OwnSettings() {
  const [theme, setTheme] = useState<Theme | null>(null)
  const [units, setUnits] = useState<UnitsShown | null>(null)
  const [letters, setLetters] = useState<'on' | 'off' | null>(null)
  useEffect(() => {
    const read = (): void => setTheme(document.documentElement.dataset.theme === 'dark' ? 'dark' : 'light')
    read()
    setUnits(unitsShown())
    setLetters(hasSingleLetters() ? 'on' : 'off')
    addEventListener('medida-theme', read)
    return () => removeEventListener('medida-theme', read)
  }, [])
  return (
    <div className={styles.form}>
      <Choice
        legend={say.theme}
        options={[
          { value: 'light', label: say.light },
          { value: 'dark', label: say.dark },
        ]}
        value={theme}
        onChange={(chosen) => {
          // The button in the head does it, and remembers it.
          if (chosen !== theme) document.querySelector<HTMLButtonElement>('#theme')?.click()
        }}
      />
      <Choice
        legend={say.unitsShown}
        options={[
          { value: 'machine', label: say.unitsOfMachine },
          { value: 'metric', label: say.metric },
          { value: 'inch', label: say.inch },
        ]}
        value={units}
        onChange={(chosen) => {
          setUnitsShown(chosen)
          setUnits(chosen)
        }}
      />
      <Choice
        legend={say.singleLetters}
        options={[
          { value: 'on', label: say.lettersOn },
          { value: 'off', label: say.lettersOff },
        ]}
        value={letters}
        onChange={(chosen) => {
          setSingleLetters(chosen === 'on')
          setLetters(chosen)
        }}
      />
    </div>
  )
}
