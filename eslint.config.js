import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
    { ignores: ['web/src/api/contract.ts'] },
    js.configs.recommended,
    ...tseslint.configs.strictTypeChecked,
    hooks.configs.flat['recommended-latest'],
    {
        languageOptions: { parserOptions: { project: 'web/tsconfig.json', tsconfigRootDir: import.meta.dirname } },
        rules: {
            '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
            '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
            '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
        },
    },
);
