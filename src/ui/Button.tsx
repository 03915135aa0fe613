import type { ButtonHTMLAttributes, MouseEventHandler, ReactNode } from 'react'
import styles from './Button.module.css'

type Kind = 'primary' | 'plain' | 'quiet'

export interface ButtonProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  /** primary: the one thing to do here; plain; quiet: text only. */
  readonly kind?: Kind
}

export function Button({ kind = 'plain', type = 'button', className, ...rest }: ButtonProps) {
  return <button {...rest} type={type} data-kind={kind} className={[styles.button, className].filter(Boolean).join(' ')} />
}

export interface ButtonLinkProps {
  readonly href: string
  readonly kind?: Kind
  readonly onClick?: MouseEventHandler<HTMLAnchorElement>
  readonly children: ReactNode
}

export function ButtonLink({ href, kind = 'plain', onClick, children }: ButtonLinkProps) {
  return (
    <a href={href} data-kind={kind} className={styles.button} onClick={onClick}>
      {children}
    </a>
  )
}

/** A key on the keyboard. */
export function Key({ children }: { readonly children: ReactNode }) {
  return <kbd className={styles.key}>{children}</kbd>
}
