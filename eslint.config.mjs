import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** Typed rules over all TypeScript; files stay under 300 lines and functions under 60. */
export default tseslint.config(
  { ignores: ['**/dist/', '**/node_modules/', 'test-results/', '.cache/', 'core/ambient.d.ts', '*.cjs', '**/*.mjs'] },
  js.configs.recommended,
  ...tseslint.configs.strictTypeChecked,
  { languageOptions: { parserOptions: { project: ['./tsconfig.json', './web/tsconfig.json'], tsconfigRootDir: import.meta.dirname } } },
  {
    rules: {
      'max-lines': ['error', { max: 300, skipBlankLines: true, skipComments: true }],
      'max-lines-per-function': ['error', { max: 60, skipBlankLines: true, skipComments: true }],
      'no-console': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }], // a switch that must be whole ends in `satisfies never`
      '@typescript-eslint/no-unnecessary-condition': ['error', { allowConstantLoopConditions: true }],
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
      '@typescript-eslint/no-unnecessary-type-parameters': 'off', // asId and call name the result's type on purpose
    },
  },
  { files: ['web/**/*.{ts,tsx}'], plugins: { 'react-hooks': hooks }, rules: { ...hooks.configs.recommended.rules, 'react-hooks/incompatible-library': 'off' } }, // no React compiler here, for which that rule is,
  { files: ['scripts/**', 'bench/**', 'e2e/screenshots.ts'], rules: { 'no-console': 'off' } },
  { files: ['**/*.test.ts', 'e2e/**'], rules: { 'max-lines-per-function': 'off', '@typescript-eslint/no-non-null-assertion': 'off' } },
);
