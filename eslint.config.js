import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

const unused = ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true }];

export default tseslint.config(
  { ignores: ['dist/', 'node_modules/', 'var/', '.cache/', 'demo/site/', 'test-results/', 'playwright-report/'] },
  ...tseslint.configs.recommended,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': unused,
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports', prefer: 'type-imports' }],
      eqeqeq: 'error',
      'no-control-regex': 'off',
    },
  },
  {
    files: ['core/**/*.ts', 'web/**/*.{ts,tsx}', 'server/**/*.ts'],
    ignores: ['**/*.test.ts', '**/*.d.ts', 'web/vite.config.ts'],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
    },
  },
  {
    // The core takes time, chance and ids from outside, so that everything it says can be said again.
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: "MemberExpression[object.name='Date'][property.name='now']", message: 'Time is passed in.' },
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'Time is passed in.' },
        { selector: "MemberExpression[object.name='Math'][property.name='random']", message: 'Chance is passed in.' },
      ],
    },
  },
  {
    // A busy machine is no fault of the code: tests compare states, or two sizes in one run (`core/testing/proportion.ts`). Time itself is measured in `bench/`.
    files: ['**/*.test.{ts,tsx}', 'e2e/**/*.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: "MemberExpression[object.name='performance'][property.name='now']", message: 'Say it as a proportion, or in bench/.' },
        { selector: "CallExpression[callee.property.name='waitForTimeout']", message: 'Wait for a state.' },
      ],
    },
  },
  { files: ['web/**/*.{ts,tsx}'], plugins: { 'react-hooks': hooks }, rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' } },
);
