const transform = {
  '^.+\\.tsx?$': [
    '@swc/jest',
    { jsc: { target: 'es2022', parser: { syntax: 'typescript', tsx: true }, transform: { react: { runtime: 'automatic' } } }, module: { type: 'commonjs' } }
  ]
}
const project = (displayName, testMatch, more = {}) => ({
  displayName,
  testMatch,
  transform,
  testEnvironment: 'node',
  extensionsToTreatAsEsm: [],
  setupFiles: ['<rootDir>/scripts/test-env.cjs'],
  ...more
})

/** Unit tests stand beside the file they test; end-to-end tests drive the built program in Chromium. */
module.exports = {
  projects: [project('unit', ['<rootDir>/src/**/*.test.ts']), project('e2e', ['<rootDir>/e2e/**/*.test.ts'])],
  // A machine that does other things besides is slow, not wrong.
  testTimeout: 900_000
}
