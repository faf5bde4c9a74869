/** Jest in ESM: TypeScript stripped by swc, type-checked separately by tsc. */
export default {
  testEnvironment: 'node',
  // a slow machine is no fault: nothing is timed here
  testTimeout: 240_000,
  // two cores are what it is tested on
  maxWorkers: 2,
  roots: ['<rootDir>/core', '<rootDir>/contract', '<rootDir>/derive', '<rootDir>/server', '<rootDir>/demo', '<rootDir>/web/src'],
  testMatch: ['**/*.test.ts', '**/*.test.tsx'],
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: { '^.+\\.tsx?$': ['@swc/jest', { jsc: { parser: { syntax: 'typescript', tsx: true }, target: 'es2022', transform: { react: { runtime: 'automatic' } } } }] },
};
