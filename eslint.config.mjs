import js from '@eslint/js';
import jsdoc from 'eslint-plugin-jsdoc';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** Habits, not sizes: Prettier decides the layout, `npm run shape` watches sizes. */
export default tseslint.config(
  {
    ignores: [
      '**/dist/',
      '**/node_modules/',
      'test-results/',
      '.cache/',
      'core/ambient.d.ts',
      '*.cjs',
      '**/*.mjs',
    ],
  },
  js.configs.recommended,
  ...tseslint.configs.strictTypeChecked,
  {
    languageOptions: {
      parserOptions: {
        project: ['./tsconfig.json', './web/tsconfig.json'],
        tsconfigRootDir: import.meta.dirname,
      },
    },
  },
  {
    rules: {
      'one-var': ['error', 'never'],
      curly: ['error', 'all'],
      'no-nested-ternary': 'error',
      'max-statements-per-line': ['error', { max: 1 }],
      'no-sequences': 'error',
      'no-param-reassign': 'error',
      'no-shadow': 'off',
      '@typescript-eslint/no-shadow': 'error',
      complexity: ['warn', 15],
      'max-depth': ['warn', 3],
      'no-console': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      // A switch that must be whole ends in `satisfies never`.
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
      '@typescript-eslint/no-unnecessary-condition': [
        'error',
        { allowConstantLoopConditions: true },
      ],
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
      // asId and call name the result's type on purpose.
      '@typescript-eslint/no-unnecessary-type-parameters': 'off',
    },
  },
  {
    files: ['web/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    // No React compiler here, for which incompatible-library is.
    rules: { ...hooks.configs.recommended.rules, 'react-hooks/incompatible-library': 'off' },
  },
  {
    files: ['core/src/**/*.ts', 'server/src/**/*.ts'],
    ignores: ['**/*.test.ts', '**/*.test-data.ts', 'server/src/database/migrations/**'],
    plugins: { jsdoc },
    rules: {
      'jsdoc/require-jsdoc': [
        'error',
        {
          publicOnly: true,
          enableFixer: false,
          require: {
            ClassDeclaration: true,
            FunctionDeclaration: true,
            ArrowFunctionExpression: true,
          },
          contexts: [
            'ExportNamedDeclaration > TSInterfaceDeclaration',
            'ExportNamedDeclaration > TSTypeAliasDeclaration',
            'ExportNamedDeclaration > VariableDeclaration',
          ],
        },
      ],
    },
  },
  { files: ['scripts/**', 'bench/**', 'e2e/screenshots.ts'], rules: { 'no-console': 'off' } },
  {
    files: ['**/*.test.{ts,tsx}', 'e2e/**'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off' },
  },
);
