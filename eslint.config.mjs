import js from '@eslint/js';
import jsdoc from 'eslint-plugin-jsdoc';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

const shownAttributes =
  '/^(aria-label|aria-description|title|placeholder|alt|label|says|empty|prompt|unit)$/';

/** Ways to write a text where it is shown; what a key or a command is called may stand there. */
const textOutsideItsCatalogue = [
  ':not(JSXElement[openingElement.name.name=/^(kbd|code)$/]) > JSXText[value=/\\p{L}{2}/u]',
  `JSXAttribute[name.name=${shownAttributes}] > Literal[value=/\\p{L}{2}/u]`,
  `JSXAttribute[name.name=${shownAttributes}] > JSXExpressionContainer > ConditionalExpression > Literal[value=/\\p{L}{2}/u]`,
  `JSXAttribute[name.name=${shownAttributes}] > JSXExpressionContainer > TemplateLiteral > TemplateElement[value.raw=/\\p{L}{2}/u]`,
  ':not(NewExpression, JSXAttribute) > Literal[value=/^[A-Z][a-z’]+( [a-z“(]|[.?!] )|[a-z] [a-z]+ [a-z]+|[a-z][.?!]$/]',
  ':not(NewExpression) > TemplateLiteral > TemplateElement[value.raw=/[a-z] [a-z]+ [a-z]+|^[A-Z][a-z]+ [a-z]/]',
].map((selector) => ({ selector, message: 'Put what is read on a screen into its texts.ts.' }));

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
    // A promise without an owner ends the program when it fails; only a page may let one go.
    files: ['**/*.ts'],
    ignores: ['web/**'],
    rules: { '@typescript-eslint/no-floating-promises': ['error', { ignoreVoid: false }] },
  },
  {
    files: ['web/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    // No React compiler here, for which incompatible-library is.
    rules: { ...hooks.configs.recommended.rules, 'react-hooks/incompatible-library': 'off' },
  },
  {
    // What is read on a screen stands in the catalogue of its screen, `texts.ts`.
    files: ['web/src/**/*.{ts,tsx}'],
    ignores: ['**/texts.ts', '**/*.test.{ts,tsx}', '**/*.test-data.{ts,tsx}'],
    rules: { 'no-restricted-syntax': ['error', ...textOutsideItsCatalogue] },
  },
  {
    // What goes into a text is often called like another text: "loads".
    files: ['web/src/**/texts.ts'],
    rules: { '@typescript-eslint/no-shadow': 'off' },
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
