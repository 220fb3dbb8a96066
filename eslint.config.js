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

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', '.dependency-cruiser.cjs', 'test-results/**'] },
  js.configs.recommended,
  {
    files: ['**/*.{ts,tsx}'],
    extends: [tseslint.configs.strictTypeChecked],
    languageOptions: { parserOptions: { projectService: true } },
    rules: {
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-invalid-void-type': 'off',
      '@typescript-eslint/no-confusing-void-expression': 'off',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false, arguments: false } }],
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unnecessary-condition': 'off', // noUncheckedIndexedAccess differs between core and the rest
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/no-dynamic-delete': 'off',
      ...sizes(400, 60, 4),
      'no-restricted-syntax': ['error', { selector: 'ExportAllDeclaration', message: 'List what the front door offers, name by name.' }],
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
  { files: ['web/src/**/*.tsx'], plugins: { 'react-hooks': reactHooks }, rules: { ...reactHooks.configs.recommended.rules, ...sizes(400, 200, 4) } },
  {
    files: ['**/*.test.ts', 'e2e/**/*.ts'],
    rules: {
      '@typescript-eslint/no-unused-expressions': 'off',
      '@typescript-eslint/no-non-null-assertion': 'off',
      'max-lines-per-function': 'off',
    },
  },
  { files: ['**/*.{js,mjs}'], languageOptions: { globals: globals.node }, extends: [tseslint.configs.disableTypeChecked] },
  prettier,
);
