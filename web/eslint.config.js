import hooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

export default tseslint.config(
  { ignores: ["dist", "src/api"] },
  ...tseslint.configs.strict,
  {
    plugins: { "react-hooks": hooks },
    rules: {
      "react-hooks/rules-of-hooks": "error",
      "react-hooks/exhaustive-deps": "error",
      // A component has one idea; a hundred lines of hooks and a hundred of page are enough for it.
      "max-lines-per-function": ["error", { max: 200, skipBlankLines: true }],
      "no-restricted-syntax": [
        "error",
        {
          selector:
            "JSXAttribute[name.name='style'] > JSXExpressionContainer > ObjectExpression > Property > Literal",
          message: "A style that is not computed belongs in style.css.",
        },
      ],
    },
  },
);
