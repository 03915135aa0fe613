import { Button, Key } from '../../../ui/Button'
import { Dialog, DialogActions } from '../../../ui/Dialog'
import type { Command, useCommands } from '../commands'
import styles from './Help.module.css'

export interface HelpProps {
  readonly commands: readonly Command[]
  readonly letters: ReturnType<typeof useCommands>
  readonly onClose: () => void
}

export function Help({ commands, letters, onClose }: HelpProps) {
  return (
    <Dialog title="Keys at the bench" onClose={onClose}>
      <dl className={styles.help}>
        <dt>
          <Key>Enter</Key>
        </dt>
        <dd>accept what is typed and go to the next reading</dd>
        <dt>
          <Key>←</Key> <Key>→</Key>
        </dt>
        <dd>another place, while nothing is typed</dd>
        <dt>
          <Key>Esc</Key>
        </dt>
        <dd>clear what is typed, leave a correction</dd>
        {commands.map(({ key, label }) => (
          <div key={key} className={styles.helpRow}>
            <dt>
              <Key>{key.toUpperCase()}</Key>
            </dt>
            <dd>{label}</dd>
          </div>
        ))}
      </dl>
      <p>
        A gauge that types like a keyboard and ends with Enter needs nothing set up: its figures land in the reading field
        wherever the focus is.
      </p>
      <p>Letters are commands while the field is empty; with Alt they work always.</p>
      <label className={styles.check}>
        <input
          type="checkbox"
          checked={letters.singleLetters}
          onChange={(event) => letters.setSingleLetters(event.currentTarget.checked)}
        />{' '}
        Single letters as commands
      </label>
      <p>
        Readings: <span className="figure">12.34</span>, <span className="figure">12,34</span>,{' '}
        <span className="figure">0.4725 in</span>, <span className="figure">21 thou</span>, <span className="figure">350 µm</span>
        , <span className="figure">1-7/16"</span>; <span className="figure">+0.02</span> from the master where one is set; up and
        down as <span className="figure">+0.05 -0.03</span>.
      </p>
      <p>
        Bounds stay bounds: <span className="figure">&gt;180 Nm</span> where the gauge ran out, feelers as{' '}
        <span className="figure">0.15 go 0.20 no</span>, slop as <span className="figure">103.8..104.2</span>. Answers:{' '}
        <span className="figure">+</span> yes, <span className="figure">-</span> no, <span className="figure">/</span> does not
        apply; contact <span className="figure">2 1 0</span>; elements in percent worn, <span className="figure">!</span> broken.
      </p>
      <p>A gauge that types like a keyboard and ends with Enter works in the field as it is.</p>
      <section className={styles.legend} aria-label="The limit ribbon">
        <svg viewBox="0 0 300 64" width="300" height="64" aria-hidden="true">
          <rect x="0" y="20" width="300" height="8" fill="var(--band-track)" />
          <rect x="40" y="20" width="50" height="8" fill="var(--band-new)" />
          <rect x="90" y="20" width="70" height="8" fill="var(--band-used)" />
          <path d="M210 18v12" stroke="var(--recondition)" strokeWidth="1.6" strokeDasharray="2 1.6" />
          <path d="M244 16v18" stroke="var(--replace)" strokeWidth="2" />
          <path d="M0 28.5H300" stroke="var(--ink)" />
          <path d="M160 20l-5 -9h10z" fill="var(--blue)" />
          <path d="M128 20l-4.4 -7h8.8z" fill="none" stroke="var(--ink-3)" />
          <g fontSize="11" fill="var(--ink-2)" textAnchor="middle" fontFamily="var(--text-narrow)">
            <text x="64" y="46">
              new
            </text>
            <text x="118" y="58">
              last time
            </text>
            <text x="160" y="46">
              now
            </text>
            <text x="206" y="46">
              plan
            </text>
            <text x="252" y="58">
              wear limit
            </text>
          </g>
        </svg>
        <p>The arrow points to what is expected at the next overhaul; the bar across the pointer is its uncertainty.</p>
      </section>
      <DialogActions>
        <Button kind="primary" onClick={onClose}>
          Back to the bench
        </Button>
      </DialogActions>
    </Dialog>
  )
}
