import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

const LETTERS = '/[A-Za-z]{2}/';
const READ = 'label|title|placeholder|alt|hint|lead|empty|word|send|unit|aria-label|aria-description';
const LITERAL_TEXT = [
    `JSXText[value=${LETTERS}]`,
    `JSXElement > JSXExpressionContainer > Literal[value=${LETTERS}]`,
    `JSXElement > JSXExpressionContainer > :matches(ConditionalExpression, LogicalExpression) > Literal.consequent[value=${LETTERS}]`,
    `JSXElement > JSXExpressionContainer > :matches(ConditionalExpression, LogicalExpression) > Literal.alternate[value=${LETTERS}]`,
    `JSXElement > JSXExpressionContainer > LogicalExpression > Literal.right[value=${LETTERS}]`,
    `JSXElement > JSXExpressionContainer > TemplateLiteral > TemplateElement[value.raw=${LETTERS}]`,
    `JSXAttribute[name.name=/^(${READ})$/] > Literal[value=${LETTERS}]`,
    `JSXAttribute[name.name=/^(${READ})$/] > JSXExpressionContainer > :matches(Literal, ConditionalExpression > Literal)[value=${LETTERS}]`,
    `JSXAttribute[name.name=/^(${READ})$/] > JSXExpressionContainer > TemplateLiteral > TemplateElement[value.raw=${LETTERS}]`,
    // Words for a key.
    `Property[key.name=/^(label|title|hint|lead|word)$/] > Literal[value=${LETTERS}]`,
];
const WRITES_FIGURES = ['toFixed', 'toPrecision', 'toExponential', 'toLocaleString', 'toLocaleDateString', 'toLocaleTimeString'];

export default tseslint.config(
    { ignores: ['web/src/api/contract.ts'] },
    js.configs.recommended,
    ...tseslint.configs.strictTypeChecked,
    hooks.configs.flat['recommended-latest'],
    {
        // Words stand in web/src/words, figures are written by web/src/ui/quantity.ts.
        rules: {
            'no-restricted-syntax': ['error', ...LITERAL_TEXT.map((selector) => ({ selector, message: 'What people read is a message of web/src/words, said by say() or tell().' }))],
            'no-restricted-properties': ['error', ...WRITES_FIGURES.map((property) => ({ property, message: 'Figures and dates are written by ui/quantity.ts, as finely as the server says.' }))],
        },
    },
    {
        languageOptions: { parserOptions: { project: ['web/tsconfig.json', 'web/tsconfig.worker.json'], tsconfigRootDir: import.meta.dirname } },
        rules: {
            '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
            '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
            '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
        },
    },
);
