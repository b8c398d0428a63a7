import a11y from 'eslint-plugin-jsx-a11y';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** Features meet through their index only, and shared code knows no feature. */
const doors = {
  patterns: [
    { group: ['**/features/*/*', '!**/features/*/page', '!**/features/*/dialog'], message: 'Features meet through their index; pages and dialogs are fetched when they are opened.' },
  ],
};

export default tseslint.config(
  { ignores: ['src/api/schema.d.ts'] },
  ...tseslint.configs.recommended,
  {
    files: ['src/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks, 'jsx-a11y': a11y },
    languageOptions: { parserOptions: { projectService: true } },
    rules: {
      ...hooks.configs.recommended.rules,
      ...a11y.configs.recommended.rules,
      'jsx-a11y/label-has-associated-control': [
        'error',
        { controlComponents: ['Input', 'InputNumber', 'LengthInput', 'Select', 'Slider'], depth: 3 },
      ],
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': 'error',
      'react-hooks/set-state-in-effect': 'off',
      'react-hooks/refs': 'off',
      // No compiler runs here; the virtual lists may return fresh functions.
      'react-hooks/incompatible-library': 'off',
      'no-restricted-imports': ['error', doors],
    },
  },
  {
    files: ['src/shared/**/*.{ts,tsx}', 'src/api/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: [{ group: ['**/features/**'], message: 'Shared code knows no feature.' }] },
      ],
    },
  },
);
