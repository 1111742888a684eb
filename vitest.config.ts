import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    // A worker for every processor: the runner itself waits.
    maxWorkers: '100%',
    projects: [
      // Pure: what is loaded serves all files of a worker. The toy stage replaces the list of stages and stays alone.
      {
        test: {
          name: 'core',
          include: ['core/src/**/*.spec.ts'],
          setupFiles: ['core/src/testing/check-dimensions.ts'],
          isolate: false,
          testTimeout: 120_000,
        },
      },
      { test: { name: 'golden', include: ['core/golden/*.spec.ts'], testTimeout: 120_000 } },
      {
        test: {
          name: 'contract',
          include: ['contract/src/**/*.spec.ts'],
          isolate: false,
          testTimeout: 120_000,
        },
      },
      { test: { name: 'tools', include: ['tools/**/*.spec.ts'], testTimeout: 120_000 } },
      { test: { name: 'standins', include: ['standins/src/**/*.spec.ts'] } },
      {
        test: {
          name: 'server',
          include: ['server/src/**/*.spec.ts'],
          testTimeout: 120_000,
          hookTimeout: 120_000,
          globalSetup: ['server/src/testing/global-setup.ts'],
        },
      },
    ],
  },
});
