import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

const framework = ['svelte', 'svelte/*', '@sveltejs/*', '$app/*', '$env/*', 'bits-ui', 'chart.js'];
const storage = ['sequelize', 'pg', 'umzug', 'pino', 'piscina'];
const node = ['node:*', 'fs', 'fs/*', 'path', 'os', 'crypto', 'child_process', 'worker_threads'];

export default ts.config(
  { ignores: ['node_modules', '.svelte-kit', 'build', 'dist', '.data'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  ...svelte.configs.recommended,
  {
    languageOptions: { globals: { ...globals.browser, ...globals.node } },
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', ignoreRestSiblings: true }],
      eqeqeq: ['error', 'always', { null: 'ignore' }],
      // The app is served at the root of its own address; resolve() would add words and no safety.
      'svelte/no-navigation-without-resolve': 'off'
    }
  },
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: { parserOptions: { parser: ts.parser, svelteConfig } }
  },
  {
    // Modules that hold state use plain sets and dates inside functions, where nothing watches them.
    files: ['src/**/*.svelte.ts'],
    rules: { 'svelte/prefer-svelte-reactivity': 'off' }
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              group: [...framework, ...storage, ...node],
              message: 'src/core computes and nothing else: no interface, database or Node.'
            }
          ]
        }
      ],
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'Buffer', 'localStorage', 'fetch'],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Pass a seeded generator in.' },
        { object: 'Date', property: 'now', message: 'The core has no clock; pass the time in.' }
      ]
    }
  }
);
