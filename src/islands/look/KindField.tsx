import { type RefObject, useContext, useEffect, useRef, useState } from 'react'
import {
  Button,
  ComboBox,
  ComboBoxStateContext,
  Input,
  Label,
  ListBox,
  ListBoxItem,
  Popover,
} from 'react-aria-components/ComboBox'
import type { FindingKind } from '../../core/condition/findingKinds'
import { findingWords, findKinds } from '../../core/words/findings'
import { say } from '../../labels/look'
import { Fault } from '../../ui/Field'
import styles from './Look.module.css'

/**
 * Typing opens the list, and names the first of it: Enter takes that one, unless another was gone to. The list by itself would
 * open whenever the field is emptied, as after a finding was saved, and hide the page from a screen reader.
 */
function OpenedByTyping({ typed }: { readonly typed: string }) {
  const state = useContext(ComboBoxStateContext)
  const latest = useRef(state)
  latest.current = state
  useEffect(() => {
    if (typed.trim() !== '') latest.current?.open(null, 'input')
  }, [typed])
  const first = state?.collection.getFirstKey() ?? null
  const manager = state?.selectionManager
  const isLeft = state?.isOpen === true && typed.trim() !== '' && manager?.focusedKey === null
  useEffect(() => {
    if (isLeft && first !== null) manager?.setFocusedKey(first)
  }, [isLeft, first, manager])
  return null
}

/** What was found, by the first letters of any name people have for it. */
export function KindField({
  value,
  error,
  onChange,
  inputRef,
}: {
  readonly value: FindingKind | null
  readonly error: string | null
  readonly onChange: (kind: FindingKind | null) => void
  readonly inputRef: RefObject<HTMLInputElement | null>
}) {
  const [text, setText] = useState('')
  const shown = value ? findingWords[value].label : text
  const found = findKinds(text)
  const choose = (kind: FindingKind | null): void => {
    onChange(kind)
    setText('')
  }
  return (
    <ComboBox
      className={styles.kind ?? ''}
      menuTrigger="manual"
      allowsEmptyCollection
      isInvalid={error !== null}
      items={found.map((id) => ({ id }))}
      // What nobody calls anything stays to be typed on, and is refused when it is noted.
      allowsCustomValue
      inputValue={shown}
      onInputChange={(typed) => {
        if (typed === shown) return
        setText(typed)
        onChange(null)
      }}
      selectedKey={value}
      onSelectionChange={(key) => {
        if (key !== null) choose(key as FindingKind)
      }}
    >
      <Label className={styles.label ?? ''}>{say.whatFound}</Label>
      <div className={styles.kindRow}>
        <Input ref={inputRef} className={styles.kindInput ?? ''} placeholder={say.typeScoPit} />
        <Button className={styles.kindAll ?? ''} aria-label={say.allKinds}>
          <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true">
            <path d="M4 6l4 4 4-4" fill="none" stroke="currentColor" strokeWidth="1.6" />
          </svg>
        </Button>
      </div>
      <OpenedByTyping typed={text} />
      <Fault text={error} />
      <Popover className={styles.kindPopover ?? ''}>
        <ListBox
          className={styles.kindList ?? ''}
          aria-label={say.kindsFinding}
          renderEmptyState={() => <p className={styles.quiet}>{say.nothingCatalogueCalled}</p>}
        >
          {({ id }: { readonly id: FindingKind }) => (
            <ListBoxItem id={id} textValue={findingWords[id].label} className={styles.kindOption ?? ''}>
              {findingWords[id].label}
              {findingWords[id].alsoCalled.length > 0 && (
                <span className={styles.quiet}> {findingWords[id].alsoCalled.join(', ')}</span>
              )}
            </ListBoxItem>
          )}
        </ListBox>
      </Popover>
    </ComboBox>
  )
}
