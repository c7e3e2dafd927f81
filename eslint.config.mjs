import jsxA11y from 'eslint-plugin-jsx-a11y';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  { ignores: ['.next/**', 'node_modules/**', 'next-env.d.ts', '.cache/**', '*.cjs', 'test-results/**'] },
  ...tseslint.configs.strict,
  { files: ['**/*.tsx'], ...jsxA11y.flatConfigs.recommended },
  {
    files: ['**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks },
    rules: {
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-invalid-void-type': 'off',
      'no-console': 'error',
    },
  },
  {
    files: ['**/*.tsx'],
    rules: {
      'jsx-a11y/label-has-associated-control': ['error', { assert: 'either', depth: 4 }],
      'jsx-a11y/no-noninteractive-element-interactions': 'off',
    },
  },
);
