/** The public face of the answers: what follows from the records, asked once and told by everyone. */
export * from './bake/dayOfBake'
export * from './bake/levainToWeigh'
export * from './bake/solvePlan'
export * from './bake/usualCourse'
export * from './fromWire'
export * from './judgement/beliefs'
export * from './judgement/isItReady'
export * from './schedule/planProblem'
