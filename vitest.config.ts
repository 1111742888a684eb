import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    projects: [
      { test: { name: 'core', include: ['core/**/*.spec.ts'] } },
      { test: { name: 'contract', include: ['contract/src/**/*.spec.ts'] } },
      { test: { name: 'standins', include: ['standins/src/**/*.spec.ts'] } },
      {
        test: {
          name: 'server',
          include: ['server/src/**/*.spec.ts', 'tools/**/*.spec.ts'],
          testTimeout: 120_000,
          hookTimeout: 120_000,
          globalSetup: ['server/src/testing/global-setup.ts'],
        },
      },
    ],
  },
});
