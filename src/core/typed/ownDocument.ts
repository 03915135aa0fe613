/**
 * What stands in for a document where none gives a figure: the limit is then the shop's own. It reads as a source does,
 * document and page, and is never taken for what is safety-marked.
 */
export const OWN_DOCUMENT = 'as found'
export const OWN_PAGE = 'no document'

/** Whether somebody names no document, but that it was found so. */
export const isOwnDocument = (document: string): boolean => document.trim().toLowerCase() === OWN_DOCUMENT
