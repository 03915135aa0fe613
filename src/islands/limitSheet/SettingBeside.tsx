import { useState } from 'react'
import type { LimitBook } from '../../core/book/bookSchema'
import { settingOfFit } from '../../core/fit/settingOfFit'
import { isNeverSet, type SettingSpec, settingOf } from '../../core/setting/setting'
import { natureName, setByWords } from '../../core/words/settings'
import { say as rowSay } from '../../labels/limitRow'
import { say } from '../../labels/limitSheet'
import { Button } from '../../ui/Button'
import { SettingFields, settingAsked } from '../limitRow/SettingFields'
import styles from './LimitSheet.module.css'
import type { Sheet } from './useSheet'

/** Whether a value tells of wear, a setting or both; a setting has what sets it and the parts it rests on. */
export function SettingBeside({ of, sheet, mayType }: { readonly of: string; readonly sheet: Sheet; readonly mayType: boolean }) {
  const { book } = sheet.draft.view
  const stands = standing(book, of)
  const [asked, setAsked] = useState<SettingSpec | null>(null)
  const shown = asked ?? stands.spec
  const parts = book.parts.filter(({ assembly, id }) => assembly === stands.assembly || shown.chain?.includes(id))
  const nameOf = (id: string): string => book.parts.find((part) => part.id === id)?.name ?? id
  if (stands.isNever) return <p className={styles.about}>{say.ringNeverSet}</p>
  if (asked === null)
    return (
      <div className={styles.setting}>
        <p>
          {rowSay.tellsOf}: <b>{natureName[shown.is]}</b>
          {shown.by && `, ${setByWords({ by: shown.by })}`}
          {shown.is !== 'wear' && `. ${rowSay.restsOn}: ${(shown.chain ?? stands.parts).map(nameOf).join('; ')}`}
        </p>
        {mayType && (
          <Button
            disabled={sheet.busy}
            onClick={() => setAsked({ ...stands.spec, chain: [...(stands.spec.chain ?? stands.parts)] })}
          >
            {say.changeSetting}
          </Button>
        )}
      </div>
    )
  const save = async (): Promise<void> => {
    if (await sheet.draft.make({ kind: 'setting', of, setting: settingAsked(shown) })) setAsked(null)
  }
  return (
    <fieldset className={styles.setting}>
      <legend className="hidden-label">{rowSay.tellsOf}</legend>
      <SettingFields value={shown} parts={parts} onChange={setAsked} />
      <p className={styles.about}>{say.settingChecked}</p>
      <p className={styles.actions}>
        <Button
          kind="primary"
          disabled={sheet.busy || (shown.is !== 'wear' && (shown.chain ?? []).length === 0)}
          onClick={() => void save()}
        >
          {say.saveSetting}
        </Button>
        <Button onClick={() => setAsked(null)}>{say.cancel}</Button>
      </p>
    </fieldset>
  )
}

/** What stands of a measurement or a fit: as its book says, else as its kind usually is. */
function standing(book: LimitBook, of: string) {
  const measured = book.characteristics.find(({ id }) => id === of)
  const fit = book.fits.find(({ id }) => id === of)
  const on = measured?.part ?? fit?.mendOn ?? ''
  const assembly = book.parts.find(({ id }) => id === on)?.assembly
  const usual = measured
    ? (measured.wants ?? measured.limits).flatMap(({ judges }) => settingOf(measured, { judges }) ?? [])[0]
    : fit && settingOfFit(fit, [on], { whenPassed: 'mend' })
  const spec: SettingSpec =
    measured?.setting ?? fit?.setting ?? (usual ? { is: usual.is, by: usual.by, chain: [...usual.chain] } : { is: 'wear' })
  return { spec, assembly, parts: [on], isNever: measured !== undefined && isNeverSet(measured.method.kind) }
}
