import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: { include: ['src/**/*.test.{ts,tsx}', 'tests/**/*.test.{ts,tsx}'], testTimeout: 180_000, hookTimeout: 60_000, maxWorkers: 2 },
});
