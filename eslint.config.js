import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import reactHooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import tseslint from 'typescript-eslint';

const sizes = (lines, perFunction, params) => ({
  'max-lines': ['error', { max: lines, skipBlankLines: true, skipComments: true }],
  'max-lines-per-function': ['error', { max: perFunction, skipBlankLines: true, skipComments: true }],
  'max-params': ['error', params],
  'max-depth': ['error', 4],
});

const FRONT_DOORS = {
  selector: 'ExportAllDeclaration',
  message: 'List what the front door offers, name by name.',
};
/** Whatever is pressed, typed in or laid out in rows is a piece of the kit, which alone knows how it looks and is reached. */
const KIT_ONLY = {
  selector: 'JSXOpeningElement[name.name=/^(button|select|input|textarea|table|dialog|details|form)$/]',
  message: 'Use a piece of web/src/ui: pages are made of those, so that all of them look and work alike.',
};
/** What people read goes by the words, which another language can say. */
const WORDS_ONLY = [
  {
    selector: 'JSXText[value=/[A-Za-z]{2}/]',
    message: 'Say it by t() or rich() of web/src/words, so that another language can say it.',
  },
  {
    selector:
      'JSXAttribute[name.name=/^(label|title|says|words|placeholder|aria-label|spokenLabel|help|alt)$/] > Literal[value=/[A-Za-z]{2}/]',
    message: 'Say it by t() of web/src/words, so that another language can say it.',
  },
];
const KIT_LIBRARIES = {
  group: ['@mui/*', '@emotion/*', '@tanstack/*', 'react-dropzone'],
  message: 'Only web/src/ui knows which library a piece is made with.',
};
const KEY_LIBRARY = { group: ['react-hotkeys-hook'], message: 'Keys are bound by web/src/keys alone.' };

export default tseslint.config(
  {
    ignores: [
      '**/dist/**',
      '**/node_modules/**',
      'web/src/form/checks/**',
      '.dependency-cruiser.cjs',
      'test-results/**',
    ],
  },
  js.configs.recommended,
  {
    files: ['**/*.{ts,tsx}'],
    extends: [tseslint.configs.strictTypeChecked],
    languageOptions: { parserOptions: { projectService: true } },
    rules: {
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-invalid-void-type': 'off',
      '@typescript-eslint/no-confusing-void-expression': 'off',
      '@typescript-eslint/no-misused-promises': [
        'error',
        { checksVoidReturn: { attributes: false, arguments: false } },
      ],
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unnecessary-condition': 'off', // noUncheckedIndexedAccess differs between core and the rest
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
      '@typescript-eslint/no-deprecated': 'off', // the form event's type has no successor yet
      ...sizes(400, 60, 4),
      'no-restricted-syntax': ['error', FRONT_DOORS],
    },
  },
  {
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.test.ts', '**/*.bench.ts'],
    rules: {
      ...sizes(400, 80, 6),
      '@typescript-eslint/no-non-null-assertion': 'off',
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'core takes a seed.' },
        { object: 'Date', property: 'now', message: 'core takes the time as an argument.' },
      ],
    },
  },
  {
    files: ['web/src/**/*.tsx'],
    plugins: { 'react-hooks': reactHooks },
    rules: {
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
      ...sizes(400, 200, 4),
    },
  },
  {
    files: ['web/src/**/*.{ts,tsx}'],
    ignores: ['web/src/ui/**'],
    rules: {
      'no-restricted-syntax': ['error', FRONT_DOORS, KIT_ONLY, ...WORDS_ONLY],
      'no-restricted-imports': ['error', { patterns: [KIT_LIBRARIES, KEY_LIBRARY] }],
    },
  },
  {
    files: ['web/src/ui/**/*.tsx'],
    rules: { 'no-restricted-syntax': ['error', FRONT_DOORS, ...WORDS_ONLY] },
  },
  {
    // what the kit shows itself with, and what tests show of it, is read by those who build it
    files: ['web/src/pages/kit/**/*.tsx', 'web/src/**/*.test.tsx'],
    rules: { 'no-restricted-syntax': ['error', FRONT_DOORS, KIT_ONLY] },
  },
  {
    files: ['web/src/keys/**/*.{ts,tsx}'],
    rules: { 'no-restricted-imports': ['error', { patterns: [KIT_LIBRARIES] }] },
  },
  { files: ['demo/src/**/*.ts'], rules: { 'max-params': ['error', 6] } },
  {
    files: ['**/*.test.{ts,tsx}', 'e2e/**/*.ts'],
    rules: {
      '@typescript-eslint/no-unused-expressions': 'off',
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unsafe-assignment': 'off', // answers of the API under test
      '@typescript-eslint/no-unsafe-argument': 'off',
      'max-lines-per-function': 'off',
      'max-params': 'off',
    },
  },
  {
    files: ['**/*.{js,mjs}'],
    languageOptions: { globals: globals.node },
    extends: [tseslint.configs.disableTypeChecked],
  },
  prettier,
);
