import { defineConfig } from 'vitest/config';

// A component with all of Material under it takes seconds to make on a busy machine.
export default defineConfig({ test: { testTimeout: 30_000 } });
