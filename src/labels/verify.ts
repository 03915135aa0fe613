import { counted } from '../core/words/plain'

export const say = {
  signature: (machineId: string, sequence: number): string => `${machineId}, signature ${sequence}`,
  eventLogIntact: (size: number): string => `event log intact: ${size} chains`,
  reportJobSigned: (report: string, job: string): string => `report ${report} of job ${job} was signed and is gone`,
  jobSignedHas: (job: string): string => `job ${job} was signed and has no report`,
  logNotSealed: 'log not sealed: signed before it was',
  logIntactUp: (number: number): string => `log intact up to the signature: ${number} events`,
  logAlteredCut: (number: number, now: string): string =>
    `log altered or cut: event ${number}, sealed by the signature, is ${now}`,
  signatureThereGone: (number: number, machine: string, at: string): string =>
    `signature ${number} of ${machine} was there on ${at} and is gone`,
  signatureNotOne: (number: number, machine: string, at: string): string =>
    `signature ${number} of ${machine} is not the one of ${at}`,
  logCutMade: (chain: string, at: string, number: number, text: string): string =>
    `the log of ${chain} was cut or made anew since ${at}: event ${number} is ${text}`,
  nothingCutOff: (at: string): string => `nothing was cut off since ${at}`,
  logBrokenEvent: (chain: string, count: number): string => `the log of ${chain} is broken at event ${count}`,
  noSignatureKey: 'no signature by key: signed before there were keys',
  signatureTakenAway: 'the signature was taken away',
  key: (fingerprint: string): string => `key ${fingerprint}`,
  signatureDoesNot: (key: string): string => `signature does not match: ${key}`,
  signatureMatchesInstallations: (key: string): string =>
    `signature matches ${key}; this installation’s own is not at hand: compare with what is printed`,
  signedInstallation: (key: string): string => `signed by this installation: ${key}`,
  signedAnotherInstallation: (key: string, fingerprint: string): string =>
    `signed by another installation: ${key}, this one has ${fingerprint}`,
  signerAlteredNot: (what: string): string => `signer altered: ${what} is not what was signed`,
  text: 'the text',
  time: 'the time',
  person: 'the person',
  jobPlace: 'the job or its place',
  signed: (by: string, at: string): string => `signed by ${by}, ${at}`,
  tablesCannotCompared: 'tables cannot be compared: the stored record is not JSON',
  tablesAsThey: 'tables as they were signed',
  tablesAlteredPlace: (count: number, differing: string): string =>
    `tables altered at ${counted(count, 'place', 'places')}: ${differing}`,
  bytesIntactSha: (now: string): string => `bytes intact: SHA-256 ${now}`,
  bytesAlteredSha: (now: string, sha256: string): string => `bytes altered: SHA-256 is ${now}, signed was ${sha256}`,
  chainIntactFirst: 'chain intact: first signature of this machine',
  chainBrokenFirst: 'chain broken: the first signature names one before it',
  chainBrokenSignature: (sequence: number): string => `chain broken: signature ${sequence} of this machine is missing`,
  chainIntactFollows: (sequence: number, hash: string): string => `chain intact: follows signature ${sequence}, SHA-256 ${hash}`,
  chainBrokenNames: (string: string, sequence: number, hash: string): string =>
    `chain broken: names ${string} as signature ${sequence}, which is now ${hash}`,
  core: (version: string): string => `core ${version}`,
  coreSigned: (version: string, coreVersion: string): string => `core ${version}, signed with ${coreVersion}`,
  resultsCannotRecomputed: 'results cannot be recomputed: the stored record is not JSON',
  resultsCannotBeRecomputed: (text: string): string => `results cannot be recomputed: ${text}`,
  whenSignedToday: (at: string, was: string, now: string): string => `${at}: ${was} when signed, ${now} today`,
  resultsReproduced: (since: string): string => `results reproduced by ${since}`,
  resultsDifferPlace: (since: string, count: number, shown: string): string =>
    `results differ (${since}) at ${counted(count, 'place', 'places')}: ${shown}`,
  gone: (what: string, id: string): string => `${what} ${id} is gone`,
  differs: (what: string, id: string, keys: string): string => `${what} ${id} differs in ${keys}`,
  added: (what: string, id: string): string => `${what} ${id} was added`,
  jobGone: (id: string): string => `job ${id} is gone`,
  limitBookNot: (id: string, revision: string): string => `limit book ${id} ${revision} is not the one that was signed`,
} as const
