/** Families of cause that a finding can point to. */
export const causeFamilies = [
  'handling',
  'fitTooTight',
  'fitTooLoose',
  'alignment',
  'tooLittleLubricant',
  'tooMuchLubricant',
  'wrongLubricant',
  'dirtyLubricant',
  'contamination',
  'moisture',
  'electricity',
  'vibration',
  'overload',
  'fatigue',
  'operation',
] as const
export type CauseFamily = (typeof causeFamilies)[number]

/**
 * Condition findings of overhaul inspection (rolling bearings: terms of ISO 15243), each with its likely families of cause,
 * likeliest first.
 */
export const findingKinds = {
  wearStep: ['operation', 'dirtyLubricant', 'alignment'],
  scoring: ['dirtyLubricant', 'contamination', 'tooLittleLubricant'],
  scratch: ['handling', 'contamination'],
  nick: ['handling'],
  burr: ['handling'],
  galling: ['tooLittleLubricant', 'fitTooTight', 'overload'],
  heatColour: ['tooLittleLubricant', 'fitTooTight', 'overload'],
  pitting: ['fatigue', 'overload', 'moisture'],
  spalling: ['fatigue', 'overload', 'alignment', 'fitTooTight'],
  brinelling: ['handling', 'overload'],
  falseBrinelling: ['vibration'],
  electricPitting: ['electricity'],
  fluting: ['electricity'],
  fretting: ['fitTooLoose', 'vibration'],
  creepMarks: ['fitTooLoose'],
  skidSmearing: ['tooLittleLubricant', 'operation'],
  abrasiveWear: ['dirtyLubricant', 'contamination'],
  corrosion: ['moisture', 'contamination'],
  rust: ['moisture', 'handling'],
  acidEtching: ['wrongLubricant', 'moisture'],
  erosion: ['contamination', 'operation'],
  cavitation: ['operation'],
  crack: ['fatigue', 'overload', 'handling'],
  chipped: ['handling', 'overload'],
  bent: ['overload', 'handling'],
  threadDamage: ['handling', 'overload'],
  keywayWorn: ['fitTooLoose', 'vibration', 'overload'],
  carbon: ['tooMuchLubricant', 'wrongLubricant', 'operation'],
  contamination: ['contamination', 'dirtyLubricant'],
  leakTrack: ['fitTooLoose', 'operation'],
  loosePart: ['vibration', 'handling'],
  wrongPart: ['handling'],
  metalTouch: ['alignment', 'tooLittleLubricant', 'vibration'],
  cageDamage: ['tooLittleLubricant', 'vibration', 'alignment'],
  hardElastomer: ['operation', 'wrongLubricant', 'handling'],
  roughTurning: ['contamination', 'fatigue', 'handling'],
  rocks: ['fitTooLoose', 'fatigue'],
  gearSlack: ['operation', 'alignment'],
  oilState: ['moisture', 'dirtyLubricant', 'contamination'],
} as const satisfies Readonly<Record<string, readonly CauseFamily[]>>

export type FindingKind = keyof typeof findingKinds
export const findingKindIds = Object.keys(findingKinds) as [FindingKind, ...FindingKind[]]
export const causesOf = (kind: FindingKind): readonly CauseFamily[] => findingKinds[kind]

export const handTestKinds = ['roughTurning', 'rocks', 'gearSlack', 'oilState'] as const satisfies readonly FindingKind[]
export type HandTestKind = (typeof handTestKinds)[number]

export const severities = ['light', 'marked', 'severe'] as const
export type Severity = (typeof severities)[number]
export const severityRank: Record<Severity, number> = { light: 0, marked: 1, severe: 2 }

export const sinceWhen = ['service', 'earlierRepair', 'cleaning', 'dismantling', 'unknown'] as const
export type Since = (typeof sinceWhen)[number]
