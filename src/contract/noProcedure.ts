/** What books had none of when the oldest reports were signed. */
export const NO_PROCEDURE = {
  levels: [],
  cautions: [],
  procedure: [],
  positions: [],
  joints: [],
  temporaries: [],
  findingRules: [],
  patterns: [],
  handTests: [],
}
