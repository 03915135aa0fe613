export const say = {
  readings: 'Readings',
  results: 'Results',
  readingHeader: ['Part', 'Measured', 'Place', 'Stage', 'As typed', 'Value', 'Unit', 'Gauge', 'By', 'When', 'Why corrected'],
  resultHeader: [
    'Part',
    'Measured',
    'Value of',
    'Value',
    'At least',
    'At most',
    'Uncertainty, k = 2',
    'Unit',
    'Limit, at least',
    'Limit, at most',
    'Verdict',
  ],
} as const
