import js from "@eslint/js";
import globals from "globals";

export default [
  js.configs.recommended,
  { files: ["src/Pravik.Web/wwwroot/js/**/*.js"], languageOptions: { globals: globals.browser } },
  { files: ["tests/browser/**/*.mjs", "tools/**/*.mjs"], languageOptions: { globals: { ...globals.node, ...globals.browser } } },
];
