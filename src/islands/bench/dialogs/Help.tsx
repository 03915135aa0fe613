import { say } from '../../../labels/benchDialogs'
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
    <Dialog title={say.keysBench} onClose={onClose}>
      <dl className={styles.help}>
        <dt>
          <Key>{say.enter}</Key>
        </dt>
        <dd>{say.acceptWhatTyped}</dd>
        <dt>
          <Key>←</Key> <Key>→</Key>
        </dt>
        <dd>{say.anotherPlaceWhile}</dd>
        <dt>
          <Key>{say.esc}</Key>
        </dt>
        <dd>{say.clearWhatTyped}</dd>
        {commands.map(({ key, label, run }) => (
          <div key={key} className={styles.helpRow}>
            <dt>
              <Key>{key.toUpperCase()}</Key>
            </dt>
            <dd>
              <Button
                kind="quiet"
                onClick={() => {
                  onClose()
                  run()
                }}
              >
                {label}
              </Button>
            </dd>
          </div>
        ))}
      </dl>
      <p>{say.gaugeTypesLike}</p>
      <p>{say.lettersCommandsWhile}</p>
      <label className={styles.check}>
        <input
          type="checkbox"
          checked={letters.singleLetters}
          onChange={(event) => letters.setSingleLetters(event.currentTarget.checked)}
        />{' '}
        {say.singleLettersAs}
      </label>
      <p>
        {say.readings} <span className="figure">12.34</span>, <span className="figure">12,34</span>,{' '}
        <span className="figure">{say.n04725}</span>, <span className="figure">{say.n21Thou}</span>,{' '}
        <span className="figure">350 µm</span>, <span className="figure">1-7/16"</span>; <span className="figure">+0.02</span>{' '}
        {say.fromMasterWhere} <span className="figure">+0.05 -0.03</span>.
      </p>
      <p>
        {say.boundsStayBounds} <span className="figure">{say.n180Nm}</span> {say.whereGaugeRan}{' '}
        <span className="figure">{say.n015Go}</span>
        {say.slopAs} <span className="figure">103.8..104.2</span>
        {say.answers} <span className="figure">+</span> {say.yes} <span className="figure">-</span> {say.no}{' '}
        <span className="figure">/</span> {say.doesNotApply} <span className="figure">2 1 0</span>
        {say.elementsPercentWorn} <span className="figure">!</span> {say.broken}
      </p>
      <p>{say.gaugeTypesLikeKeyboard}</p>
      <section className={styles.legend} aria-label={say.limitRibbon}>
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
              {say.newOne}
            </text>
            <text x="118" y="58">
              {say.lastTime}
            </text>
            <text x="160" y="46">
              {say.now}
            </text>
            <text x="206" y="46">
              {say.plan}
            </text>
            <text x="252" y="58">
              {say.wearLimit}
            </text>
          </g>
        </svg>
        <p>{say.arrowPointsWhat}</p>
      </section>
      <DialogActions>
        <Button kind="primary" onClick={onClose}>
          {say.backBench}
        </Button>
      </DialogActions>
    </Dialog>
  )
}
