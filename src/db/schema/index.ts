export * from './auth'
export * from './job'
export * from './log'
export * from './machine'
