import type { SettingSpec } from '../../core/setting/setting'
import { type SettingMeans, settingMeans, valueNatures } from '../../core/setting/settingMeans'
import { meansName, natureName } from '../../core/words/settings'
import { say } from '../../labels/limitRow'
import { SelectField } from '../../ui/Field'
import styles from './LimitRow.module.css'

/** Usual where nobody says what sets it. */
const USUAL_MEANS: SettingMeans = 'shims'

/** What was chosen as it is written: wear is set by nothing, and rests on nothing. */
export function settingAsked({ is, by = USUAL_MEANS, chain = [], values, ...rest }: SettingSpec) {
  return is === 'wear' ? { is } : { ...rest, is, by, chain: [...chain], ...(values ? { values: [...values] } : {}) }
}

/** Whether a value tells of wear, a setting or both; a setting has what sets it and the parts it rests on. */
export function SettingFields({
  value,
  parts,
  onChange,
}: {
  readonly value: SettingSpec
  readonly parts: readonly { readonly id: string; readonly name: string }[]
  readonly onChange: (to: SettingSpec) => void
}) {
  const chain = value.chain ?? []
  const toggle = (id: string): void =>
    onChange({ ...value, chain: chain.includes(id) ? chain.filter((one) => one !== id) : [...chain, id] })
  return (
    <>
      <SelectField
        label={say.tellsOf}
        value={value.is}
        options={valueNatures.map((is) => ({ value: is, label: natureName[is] }))}
        onChange={({ currentTarget }) => onChange({ ...value, is: currentTarget.value as SettingSpec['is'] })}
      />
      {value.is !== 'wear' && (
        <>
          <SelectField
            label={say.setBy}
            value={value.by ?? USUAL_MEANS}
            options={settingMeans.map((by) => ({ value: by, label: meansName[by] }))}
            onChange={({ currentTarget }) => onChange({ ...value, by: currentTarget.value as SettingMeans })}
          />
          <fieldset className={styles.restsOn}>
            <legend>{say.restsOn}</legend>
            <ul className={styles.chain}>
              {parts.map(({ id, name }) => (
                <li key={id}>
                  <label>
                    <input type="checkbox" checked={chain.includes(id)} onChange={() => toggle(id)} /> {name}
                  </label>
                </li>
              ))}
            </ul>
          </fieldset>
        </>
      )}
    </>
  )
}
