import js from "@eslint/js";
import hooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

/** A package that computes and nothing else: no page, no Node, no clock, no randomness, no input or output; and that imports nothing but these. */
const pure = (folder, imports) => ({
  files: [`packages/${folder}/src/**/*.ts`],
  rules: {
    "no-restricted-imports": [
      "error",
      {
        patterns: [
          {
            regex: `^(?!\\.|${imports.map((name) => `${name}$`).join("|")})`,
            message: `What stands in packages/${folder} imports only itself, ${imports.join(", ")}.`,
          },
        ],
      },
    ],
    "no-restricted-globals": [
      "error",
      ...[
        "window",
        "document",
        "process",
        "Buffer",
        "fetch",
        "setTimeout",
        "setInterval",
        "performance",
        "console",
        "crypto",
        "localStorage",
        "Date",
      ].map((name) => ({ name, message: "This package is pure: pass what it needs in." })),
    ],
    "no-restricted-properties": ["error", { object: "Math", property: "random", message: "This package has no randomness." }],
  },
});

export default tseslint.config(
  { ignores: ["**/dist/**", "**/dist-bench/**", "**/node_modules/**", ".data/**", "**/test-results/**"] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  {
    rules: {
      "@typescript-eslint/no-explicit-any": "error",
      "@typescript-eslint/no-extraneous-class": ["error", { allowWithDecorator: true, allowEmpty: true }],
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_", varsIgnorePattern: "^_", ignoreRestSiblings: true }],
      "@typescript-eslint/no-dynamic-delete": "off",
      "max-lines": ["error", { max: 450, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    files: ["**/*.mjs", "**/*.js"],
    languageOptions: {
      globals: {
        process: "readonly",
        console: "readonly",
        fetch: "readonly",
        URL: "readonly",
        performance: "readonly",
        TextEncoder: "readonly",
        TextDecoder: "readonly",
        structuredClone: "readonly",
        Headers: "readonly",
        Response: "readonly",
      },
    },
  },
  {
    // What these hand to a page runs in the browser.
    files: ["scripts/measure.mjs", "scripts/measureStage.mjs"],
    languageOptions: {
      globals: Object.fromEntries(
        [
          "window",
          "document",
          "requestAnimationFrame",
          "setTimeout",
          "MutationObserver",
          "Event",
          "HTMLInputElement",
          "CanvasRenderingContext2D",
        ].map((name) => [name, "readonly"]),
      ),
    },
  },
  {
    files: ["apps/web/src/**/*.{ts,tsx}"],
    plugins: { "react-hooks": hooks },
    rules: {
      // A component, and a hook, fits a screen.
      "max-lines-per-function": ["error", { max: 90, skipBlankLines: true, skipComments: true }],
      "no-restricted-syntax": [
        "error",
        {
          selector: "CallExpression[callee.object.name=/^use(Selection|SheetView|Draft)$/][callee.property.name='setState']",
          message: "What is chosen is changed by the functions of its store (choice/).",
        },
      ],
      "react-hooks/rules-of-hooks": "error",
      "react-hooks/exhaustive-deps": "error",
    },
  },
  { files: ["apps/web/src/choice/**"], rules: { "no-restricted-syntax": "off" } },
  pure("core", ["zod", "chevrotain", "papaparse", "diff", "fountain-js"]),
  pure("formats", ["@zm/core", "fast-xml-parser", "fflate", "papaparse", "read-excel-file/universal", "write-excel-file/universal"]),
);
