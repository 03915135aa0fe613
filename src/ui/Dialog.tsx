import { type ReactNode, useEffect, useId, useRef } from 'react'
import styles from './Dialog.module.css'

export interface DialogProps {
  readonly title: string
  /** Null where one of its buttons must be pressed: Escape does not choose for anybody. */
  readonly onClose: (() => void) | null
  /** Takes the room a picture needs. */
  readonly wide?: boolean
  readonly children: ReactNode
}

/**
 * A browser that closes a dialog gives the focus back to the field it came from, and may leave the caret in what is gone: nothing
 * typed would arrive. The caret is put where the focus is.
 */
function caretToFocus(): void {
  const field = document.activeElement
  if (!(field instanceof HTMLInputElement || field instanceof HTMLTextAreaElement)) return
  if (field.selectionStart !== null) field.setSelectionRange(field.selectionStart, field.selectionEnd)
}

/** A modal question over the page: the browser's own dialog, so focus stays inside and Escape closes it. */
export function Dialog({ title, onClose, wide = false, children }: DialogProps) {
  const ref = useRef<HTMLDialogElement>(null)
  const titleId = useId()
  useEffect(() => {
    const dialog = ref.current
    if (dialog && !dialog.open) dialog.showModal()
    return caretToFocus
  }, [])
  return (
    <dialog
      ref={ref}
      className={styles.dialog}
      data-wide={wide || undefined}
      aria-labelledby={titleId}
      onCancel={(event) => onClose === null && event.preventDefault()}
      onClose={() => (onClose === null ? ref.current?.showModal() : onClose())}
    >
      <div className={styles.body}>
        <h2 id={titleId} className={styles.title}>
          {title}
        </h2>
        {children}
      </div>
    </dialog>
  )
}

export function DialogActions({ children }: { readonly children: ReactNode }) {
  return <div className={styles.actions}>{children}</div>
}
