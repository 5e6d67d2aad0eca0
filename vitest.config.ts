import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: { include: ['src/**/*.test.{ts,tsx}', 'tests/**/*.test.{ts,tsx}'], testTimeout: 600_000, hookTimeout: 120_000, maxWorkers: 2 },
});
