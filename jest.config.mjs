const typescript = [
  '@swc/jest',
  {
    jsc: { target: 'es2022', parser: { syntax: 'typescript' }, experimental: { keepImportAttributes: true } },
    module: { type: 'es6' },
    sourceMaps: 'inline',
  },
]

const shared = {
  extensionsToTreatAsEsm: ['.ts'],
  moduleNameMapper: { '^#core/(.*)$': '<rootDir>/core/$1', '^#shared/(.*)$': '<rootDir>/shared/$1' },
  transform: { '\\.ts$': typescript },
  setupFiles: ['<rootDir>/scripts/properties.mjs'],
  modulePathIgnorePatterns: ['<rootDir>/.nuxt', '<rootDir>/.output', '<rootDir>/.data'],
}

export const unit = {
  ...shared,
  displayName: 'unit',
  testMatch: ['<rootDir>/{app,core,shared,simulated}/**/*.test.ts'],
}

const projects = {
  unit,
  // Starts and stops the real thing in a folder of its own.
  start: { ...shared, displayName: 'start', testMatch: ['<rootDir>/scripts/**/*.test.ts'] },
  // Against a running application and its real PostgreSQL; ./test starts both and says where.
  api: { ...shared, displayName: 'api', testMatch: ['<rootDir>/server/**/*.test.ts'] },
}

/** `npx jest` and an editor run the unit tests; ./test names the others. */
export default {
  // Slow machines are no failure.
  testTimeout: process.env.DEEP ? 1_800_000 : 60_000,
  projects: [projects[process.env.JEST_PROJECT ?? 'unit']],
}
