import angular from 'angular-eslint';
import regexp from 'eslint-plugin-regexp';
import tseslint from 'typescript-eslint';

const clockAndChance = [
  { object: 'Date', property: 'now', message: 'core knows no clock: take a date as an argument' },
  { object: 'Math', property: 'random', message: 'core knows no chance: take a seed' },
];

/** Names in these records come from outside: `constructor` is one of them. */
const foreignKeys = {
  selector:
    'MemberExpression[computed=true][object.property.name=/^(fittings|runs|wishes|sets|stowage|photos|scuppers|accepted|elsewhere|uses|letters)$/]:not([property.type="Literal"])',
  message: 'its names come from outside: ask entryOf(record, name), or Object.hasOwn first',
};

/** Names that docs/words.md has another word for. */
const otherWord = {
  selector: 'Identifier[name=/^(doctor|grab|loupe|adoption|brought)|(Doctor|Grab|Loupe|Adoption|Brought|(?<!front)Desk)/]',
  message: 'a name that docs/words.md has another word for',
};

/** What no button is called: docs/words.md says what it is called instead. */
const otherLabel = {
  selector:
    'Element[name="button"] > :matches(Text, BoundText)[value=/^\\s*(Keep(?! theirs)|Store|Strike|Drop|Erase|Put back|Put away|Not now|Bring|Adopt|Dismiss|Swap|Anew|Grab|Let it pass)\\b/]',
  message: 'docs/words.md has another word for this',
};

/** Every control is Material's or the CDK's; what asks for a file is hidden behind a button of theirs. */
const bareControl = {
  selector:
    'Element[name=/^(button|select|input|textarea|table|details|dialog)$/]:not(:has(> TextAttribute[name=/^(mat|cdk)/])):not(:has(> BoundAttribute[name=/^(mat|cdk)/])):not(:has(> TextAttribute[name="type"][value="file"]))',
  message: 'a bare control: use one of Material, or a field of web/src/controls',
};

export default tseslint.config(
  { ignores: ['**/node_modules', '**/dist', '**/.angular', '.data', '**/*.cjs', 'eslint.config.js'] },
  ...tseslint.configs.recommended,
  ...tseslint.configs.stylistic,
  {
    files: ['**/*.ts'],
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-empty-object-type': 'off',
      '@typescript-eslint/no-empty-function': 'off',
      '@typescript-eslint/class-literal-property-style': 'off',
      eqeqeq: 'error',
      'no-restricted-syntax': ['error', foreignKeys, otherWord],
    },
  },
  {
    // Text comes from outside: no expression may take longer than the text is long.
    files: ['api/**/*.ts', 'core/**/*.ts', 'server/**/*.ts', 'web/src/**/*.ts'],
    plugins: { regexp },
    rules: {
      'regexp/no-super-linear-backtracking': ['error', { report: 'potential' }],
      'regexp/no-super-linear-move': ['error', { report: 'potential' }],
    },
  },
  {
    files: ['core/**/*.ts'],
    ignores: ['core/**/*.spec.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'navigator',
        'localStorage',
        'performance',
        'process',
        'Buffer',
        'setTimeout',
        'setInterval',
        'fetch',
        'crypto',
      ],
      'no-restricted-properties': ['error', ...clockAndChance],
      'no-restricted-imports': ['error', { patterns: ['node:*', '@angular/*', 'express', 'sequelize'] }],
      'no-restricted-syntax': [
        'error',
        foreignKeys,
        otherWord,
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'core knows no clock: take a date as an argument',
        },
      ],
    },
  },
  { files: ['**/*.spec.ts'], rules: { 'no-restricted-syntax': 'off' } },
  {
    files: ['web/src/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      '@angular-eslint/component-selector': [
        'error',
        // Layers of a drawing are groups of it.
        [
          { type: 'element', prefix: 'pc', style: 'kebab-case' },
          { type: 'attribute', prefix: 'pc', style: 'camelCase' },
        ],
      ],
      '@angular-eslint/no-output-native': 'off',
    },
  },
  {
    files: ['web/src/**/*.html'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
    rules: { 'no-restricted-syntax': ['error', bareControl, otherLabel] },
  },
);
