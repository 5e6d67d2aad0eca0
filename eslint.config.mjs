import next from 'eslint-config-next/core-web-vitals';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  { ignores: ['node_modules', '.next', 'next-env.d.ts', 'test-results', 'playwright-report', 'data', 'public'] },
  ...next,
  ...tseslint.configs.recommended,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true }],
      '@typescript-eslint/consistent-type-imports': 'error',
      eqeqeq: ['error', 'always'],
      'no-console': 'off',
    },
  },
  {
    files: ['src/core/**/*.ts', 'src/formats/**/*.ts', 'src/doors/**/*.ts'],
    ignores: ['**/*.test.{ts,tsx}'],
    rules: {
      // One time seam and one source of chance: both are handed in.
      'no-restricted-syntax': [
        'error',
        {
          selector: "CallExpression[callee.object.name='Date'][callee.property.name='now']",
          message: 'Take nowMs as a parameter; only runtime reads a clock.',
        },
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'Take nowMs as a parameter; only runtime reads a clock.',
        },
        {
          selector: "CallExpression[callee.object.name='Math'][callee.property.name='random']",
          message: 'Take a seeded random as a parameter.',
        },
        {
          selector: "CallExpression[callee.object.name='DateTime'][callee.property.name=/^(now|local|utc)$/]",
          message: 'Take nowMs as a parameter; only runtime reads a clock.',
        },
      ],
    },
  },
  {
    // Decorators read the classes themselves, so a type-only import would lose them.
    files: ['src/doors/**/*.ts', 'src/persistence/tables.ts'],
    rules: { '@typescript-eslint/consistent-type-imports': 'off' },
  },
);
