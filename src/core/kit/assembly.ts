/** What a ready-made assembly of the kit is written in: everything such a thing has, whoever made it, and no number of a maker. */

import type { Route } from '../book/bookSchema'
import type { Phase } from '../book/phases'
import type { InspectionLevel } from '../book/procedureSchema'
import type { FindingKind, HandTestKind, Severity } from '../condition/findingKinds'
import type { FitKindName } from '../fit/kinds'
import type { GaugeKind } from '../gauge/gaugeKinds'
import type { MethodKind } from '../method/kinds'
import type { ReductionName } from '../method/reduction'
import type { Disposition } from '../policy/disposition'
import type { CommonCaution } from '../safety/cautions'
import type { SettingMeans } from '../setting/settingMeans'

/** A question that shapes an assembly; the first answer stands until another is chosen. */
export interface Question {
  readonly id: string
  readonly text: string
  /** Answers to choose from; a figure from the manual or the part at hand is typed instead, and may be left out. */
  readonly answers: readonly string[] | 'length' | 'torque' | 'pressure' | 'force'
}

/** Answers by question that a piece is there for; `typed` where any figure will do. */
export type When = Readonly<Record<string, readonly string[] | 'typed'>>

interface Piece {
  readonly when?: When
}

/** A part with the place it sits at: one thing, whether anything of it is measured or not. */
export interface KitPart extends Piece {
  readonly id: string
  readonly name: string
  /** Part that holds it; the assembly itself where it is left out. */
  readonly in?: string
  readonly count?: number | `{${string}}`
  readonly renewed?: 'always' | 'disturbed'
  /** Renewed, or kept, together with these. */
  readonly set?: readonly string[]
  readonly faces?: readonly string[]
  readonly keptWith?: readonly string[]
  readonly clock?: string
  readonly loose?: string
  readonly special?: string
  readonly asks?: 'thickness' | 'bearing' | 'seal' | 'thread'
  readonly form?: 'round' | 'flat'
  /** Ways to bring it back, each with the measurements it mends. */
  readonly routes?: readonly {
    readonly name: string
    readonly effect: NonNullable<Route['effect']>
    readonly mends: readonly string[]
    readonly restores?: readonly string[]
  }[]
}

/** What the usual answer is, wear, setting or both, with the parts that a setting rests on. Left out: wear. */
export interface KitSetting extends Piece {
  readonly is: 'setting' | 'both'
  readonly by: SettingMeans
  readonly chain: readonly string[]
  readonly values?: readonly ReductionName[]
  readonly proving?: true
  /** Answers by which it is a protective device. */
  readonly protective?: When
}

/** Something measured. Its set-up is answered as a person would: `{question}` stands for an answer, `@id` for another measurement. */
export interface KitMeasure extends Piece {
  readonly id: string
  readonly of: string
  readonly name: string
  readonly by: MethodKind
  readonly set?: Readonly<Record<string, string>>
  readonly gauge?: GaugeKind
  /** Shown to a thousandth of a millimetre, or a tenth of a thousandth of an inch. */
  readonly fine?: true
  readonly how?: string
  readonly pose?: string
  readonly trap?: string
  readonly setting?: KitSetting
  /** Values that want a limit from the manual. */
  readonly wants: readonly (readonly [ReductionName, 'upper' | 'lower'])[]
  /** There is nothing to find: it is asked for as the part is left. */
  readonly asLeftOnly?: true
  readonly safety?: true
}

/** Two sides that must fit each other; `sides` names the measurements by the names the kind of fit has for them. */
export interface KitMate extends Piece {
  readonly id: string
  readonly name: string
  readonly kind: FitKindName
  readonly sides: Readonly<Record<string, string | null>>
  /** What the kind wants besides its sides; `{question}` stands for a figure that was typed, mm. */
  readonly with?: Readonly<Record<string, unknown>>
  /** The same clearance measured directly. */
  readonly direct?: string
  readonly mendOn: string
  readonly setting?: KitSetting
  readonly wants: readonly ('maximum' | 'minimum')[]
}

/** Something known twice. */
export interface KitCheck extends Piece {
  readonly id: string
  readonly name: string
  readonly known: string
  readonly also: string
  readonly names: Readonly<Record<string, readonly [string, ReductionName]>>
}

/** What to look for on a part, and what it points to. */
export interface KitLook extends Piece {
  readonly of: string
  readonly foundOn?: string
  readonly kinds: readonly FindingKind[]
  readonly from: Severity
  readonly asks: Disposition
  readonly text: string
}

export interface KitFeel extends Piece {
  readonly of: string
  readonly kind: HandTestKind
  readonly name: string
  readonly how: string
}

export interface KitStep extends Piece {
  readonly phase: Phase
  readonly name: string
  readonly text: string
  readonly cautions?: readonly CommonCaution[]
  readonly holdPoint?: true
  /** It comes when everything else of its phase is done. */
  readonly last?: true
  readonly wait?: { readonly minutes: number; readonly for: string }
  readonly removes?: readonly string[]
  readonly destroys?: readonly string[]
  readonly measures?: readonly string[]
}

type Needs = InspectionLevel['needs']

export interface Assembly {
  readonly id: string
  readonly name: string
  /** What one of them is called until somebody says otherwise. */
  readonly one: string
  /** Other words it is looked for by. */
  readonly also: string
  readonly questions: readonly Question[]
  readonly parts: readonly KitPart[]
  readonly measures: readonly KitMeasure[]
  readonly mates?: readonly KitMate[]
  readonly checks?: readonly KitCheck[]
  readonly looks: readonly KitLook[]
  readonly feels?: readonly KitFeel[]
  readonly steps: readonly KitStep[]
  /** What is laid out besides gauges, which follow from what is measured. */
  readonly lay?: {
    readonly tools?: readonly string[]
    readonly consumables?: readonly string[]
    readonly safety?: readonly string[]
    readonly people?: readonly Omit<Needs['people'][number], 'id'>[]
  }
}
