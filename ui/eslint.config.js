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
    plugins: { 'react-hooks': hooks },
    rules: {
      ...hooks.configs.recommended.rules,
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
