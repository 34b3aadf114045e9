import jsxA11y from "eslint-plugin-jsx-a11y";
import reactHooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

/** What carries words to the page. */
const SAID = "/^(label|title|hint|placeholder|alt|name|why|meaning|above|next|unit|aria-label|aria-valuetext)$/";

export default tseslint.config(
  { ignores: ["src/api/schema.d.ts", "dist"] },
  ...tseslint.configs.recommended,
  jsxA11y.flatConfigs.recommended,
  {
    files: ["src/**/*.{ts,tsx}"],
    plugins: { "react-hooks": reactHooks },
    rules: {
      "react-hooks/rules-of-hooks": "error",
      "react-hooks/exhaustive-deps": "error",
      // A dialog that opens puts the focus on its answer; nothing else in the pages does.
      "jsx-a11y/no-autofocus": "off",
    },
  },
  {
    // What is said to players stands in the catalogues alone.
    files: ["src/**/*.tsx"],
    ignores: ["src/**/*.test.tsx", "src/test/**"],
    rules: {
      "no-restricted-syntax": [
        "error",
        ...[
          "JSXText[value=/[A-Za-z]{2}/]",
          `JSXOpeningElement:not([name.name=/^(input|select|textarea|meta)$/]) > JSXAttribute[name.name=${SAID}] > Literal[value=/[A-Za-z]{2}/]`,
          `JSXAttribute[name.name=${SAID}] > JSXExpressionContainer > TemplateLiteral > TemplateElement[value.raw=/[A-Za-z]{2}/]`,
          "JSXElement > JSXExpressionContainer > :matches(Literal, TemplateLiteral > TemplateElement)[value.raw=/[A-Za-z]{2}/]",
          "JSXElement > JSXExpressionContainer > ConditionalExpression > Literal[value=/[A-Za-z]{2}/]",
        ].map((selector) => ({ selector, message: "Words for players belong into the catalogues: say(...)." })),
      ],
    },
  },
  {
    // The one place where something that is no control takes the focus and keys.
    files: ["src/ui/KeyGround.tsx"],
    rules: {
      "jsx-a11y/no-noninteractive-tabindex": "off",
      "jsx-a11y/no-noninteractive-element-interactions": "off",
    },
  },
);
