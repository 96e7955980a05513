import nextPlugin from '@next/eslint-plugin-next';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

const noClock = {
  selector: "NewExpression[callee.name='Date'][arguments.length=0]",
  message: 'The core has no clock.',
};

/** Two words beside each other: a sentence begins there. What a fault says to whoever writes the code is none. */
const prose = '=/^(?!hot (plate|air)$).*\\p{L}{2,} \\p{L}{2,}/u';
const noProse = [`Literal[value${prose}]`, `TemplateElement[value.raw${prose}]`].map((text) => ({
  selector: `${text}:not(ThrowStatement *)`,
  message: 'The core says messages by code: write the words in src/words/en.',
}));

export default tseslint.config(
  {
    ignores: [
      '.next/**',
      '.plucky/**',
      'node_modules/**',
      'next-env.d.ts',
      '**/*.cjs',
      '**/*.mjs',
      '**/*.tmp.ts',
      'src/words/catalogue/**',
      'src/core/shared/messageValues.ts',
    ],
  },
  ...tseslint.configs.strict,
  {
    rules: {
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', ignoreRestSiblings: true }],
      '@typescript-eslint/no-extraneous-class': 'off',
      'no-restricted-imports': [
        'error',
        { patterns: [{ group: ['**/index'], message: 'No barrels: import the file itself.' }] },
      ],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'The core has no clock: take the time as an argument.' },
        { object: 'Math', property: 'random', message: 'The core has no chance: take a seed as an argument.' },
      ],
      'no-restricted-syntax': ['error', noClock],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: [
      '**/*.test.ts',
      // Text that a document begins with: it is the author’s from then on, and no sentence of a screen.
      'src/core/drafting/{completions,emptyModel,usualWords}.ts',
      'src/core/opening/{draftFromLogs,openingLog}.ts',
      // Headings as suppliers write them, and the name a shop begins with.
      'src/core/intake/columnMapping.ts',
      'src/core/shared/houseRules.ts',
    ],
    rules: { 'no-restricted-syntax': ['error', noClock, ...noProse] },
  },
  {
    files: ['src/services/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: 'CallExpression[callee.name=/^(db|trx)$/]', message: 'Queries live in the layer of data.' },
        { selector: "CallExpression[callee.property.name='raw']", message: 'Queries live in the layer of data.' },
      ],
    },
  },
  {
    files: ['src/ui/**/*.{ts,tsx}', 'src/app/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks, '@next/next': nextPlugin },
    rules: { ...reactHooks.configs.recommended.rules, ...nextPlugin.configs.recommended.rules },
  },
  {
    files: ['src/ui/**/*.tsx'],
    ignores: ['src/ui/theme/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'Literal[value=/^#[0-9A-Fa-f]{3,8}$/]',
          message: 'Colours live in the theme: name a semantic token.',
        },
      ],
    },
  },
);
