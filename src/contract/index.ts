/** The public face of the contract. */
export * from './bakes'
export * from './common'
export * from './errors'
export * from './jars'
export * from './kitchen'
export * from './routes'
export * from './sentences'
