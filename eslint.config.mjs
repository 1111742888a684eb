import js from '@eslint/js';
import angular from 'angular-eslint';
import tseslint from 'typescript-eslint';

const typed = {
  languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
};

export default tseslint.config(
  {
    ignores: [
      '**/dist/**',
      '**/dist-dev/**',
      '**/.intervex-dev/**',
      '**/node_modules/**',
      '**/.angular/**',
      '**/test-results/**',
      '**/.intervex/**',
    ],
  },
  js.configs.recommended,
  {
    files: ['**/*.ts'],
    extends: [tseslint.configs.strict],
    rules: {
      eqeqeq: 'error',
      complexity: ['error', 14],
      'max-params': ['error', 6],
      'max-lines-per-function': ['error', { max: 80, skipBlankLines: true, skipComments: true }],
      'prefer-const': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-extraneous-class': ['error', { allowWithDecorator: true }],
    },
  },
  {
    files: ['core/src/**/*.ts', 'contract/src/**/*.ts', 'server/src/**/*.ts'],
    ...typed,
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': 'error',
      '@typescript-eslint/await-thenable': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': 'error',
    },
  },
  {
    files: ['core/src/**/*.ts'],
    rules: {
      'no-restricted-globals': ['error', 'document', 'window', 'fetch', 'process', 'setTimeout', 'Date'],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Take a seeded generator.' },
      ],
    },
  },
  {
    files: ['web/src/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      '@angular-eslint/component-selector': [
        'error',
        { type: ['element', 'attribute'], prefix: 'ix', style: 'kebab-case' },
      ],
      '@angular-eslint/directive-selector': ['error', { type: 'attribute', prefix: 'ix', style: 'camelCase' }],
      '@angular-eslint/prefer-on-push-component-change-detection': 'error',
    },
  },
  {
    files: ['web/src/**/*.html'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
  },
  {
    files: ['**/*.spec.ts', '**/testing/**', 'e2e/**'],
    rules: { 'max-lines-per-function': 'off', '@typescript-eslint/no-non-null-assertion': 'off' },
  },
  {
    files: ['**/*.mjs', '**/*.cjs', '**/*.js'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        fetch: 'readonly',
        URL: 'readonly',
        module: 'writable',
        Buffer: 'readonly',
        setTimeout: 'readonly',
        clearTimeout: 'readonly',
        setInterval: 'readonly',
        clearInterval: 'readonly',
        performance: 'readonly',
        AbortController: 'readonly',
        AbortSignal: 'readonly',
      },
    },
  },
);
