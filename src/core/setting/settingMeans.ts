/** What a value tells of: how far a part has worn, how something was set, or both at once. */
export const valueNatures = ['wear', 'setting', 'both'] as const

/** What sets a value. */
export const settingMeans = [
  'shims',
  'pad',
  'selectedPiece',
  'gasket',
  'screw',
  'nut',
  'alignment',
  'position',
  'cleaning',
  'retightening',
] as const
export type SettingMeans = (typeof settingMeans)[number]
