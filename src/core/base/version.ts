/** Version of the computing core; stored with every signed report so that a later difference can be explained. What changed with each: docs/core-changes.md. */
export const CORE_VERSION = '3.6.0'
