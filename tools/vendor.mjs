// Copies the browser files of npm packages into wwwroot/lib, so that the application ships whole.
import { cpSync, mkdirSync } from "node:fs";

const target = "src/Pravik.Web/wwwroot/lib";
const files = [
  ["bootstrap/dist/css/bootstrap.min.css", "bootstrap/bootstrap.min.css"],
  ["bootstrap/LICENSE", "bootstrap/LICENSE"],
  ["@alpinejs/csp/dist/module.esm.min.js", "alpine/alpine-csp.js"],
  ...[400, 500, 600].map((w) => [
    `@fontsource/barlow/files/barlow-latin-${w}-normal.woff2`,
    `fonts/barlow-latin-${w}-normal.woff2`,
  ]),
  ["@fontsource/barlow/files/barlow-latin-ext-400-normal.woff2", "fonts/barlow-latin-ext-400-normal.woff2"],
  ["@fontsource/barlow/LICENSE", "fonts/barlow-LICENSE"],
  ...[400, 500].map((w) => [
    `@fontsource/spline-sans-mono/files/spline-sans-mono-latin-${w}-normal.woff2`,
    `fonts/spline-sans-mono-latin-${w}-normal.woff2`,
  ]),
  ["@fontsource/spline-sans-mono/LICENSE", "fonts/spline-sans-mono-LICENSE"],
];
for (const [from, to] of files) {
  mkdirSync(`${target}/${to}`.replace(/\/[^/]*$/, ""), { recursive: true });
  cpSync(`node_modules/${from}`, `${target}/${to}`);
}
