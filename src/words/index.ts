/** The public face of the words. */
export * from './changes'
export * from './copies'
export * from './entries'
export * from './merge'
export * from './problems'
export * from './start'
export * from './startPage'
export * from './steps'
