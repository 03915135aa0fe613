/** Version of the computing core; stored with every signed report so that a later difference can be explained. */
export const CORE_VERSION = '1.4.0'
