// Copies the browser files of npm packages into wwwroot/lib, so that the application ships whole.
import { cpSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { PurgeCSS } from "purgecss";

const target = "src/Pravik.Web/wwwroot/lib";
const files = [
  ["bootstrap/LICENSE", "bootstrap/LICENSE"],
  ["@alpinejs/csp/dist/module.esm.min.js", "alpine/alpine-csp.js"],
  ["@alpinejs/morph/dist/module.esm.min.js", "alpine/morph.js"],
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
  ["three/LICENSE", "three/LICENSE"],
  ...["three.core.js", "three.module.js"].map((f) => [`three/build/${f}`, `three/${f}`]),
  ...[
    "controls/OrbitControls.js",
    "loaders/GLTFLoader.js",
    "utils/BufferGeometryUtils.js",
    "utils/SkeletonUtils.js",
  ].map((f) => [`three/examples/jsm/${f}`, `three/${f}`]),
];
// Modules name their package; without a bundler or an import map they are given its place.
const relative = (text) =>
  text.replaceAll(/from 'three';/g, "from '../three.module.js';").replaceAll(/[ \t]+$/gm, "");
for (const [from, to] of files) {
  mkdirSync(`${target}/${to}`.replace(/\/[^/]*$/, ""), { recursive: true });
  if (from.startsWith("three/examples/"))
    writeFileSync(`${target}/${to}`, relative(readFileSync(`node_modules/${from}`, "utf8")));
  else cpSync(`node_modules/${from}`, `${target}/${to}`);
}

// Of Bootstrap only what the pages use is shipped.
const web = "src/Pravik.Web";
const [bootstrap] = await new PurgeCSS().purge({
  content: [`${web}/Pages/**/*.cshtml`, `${web}/wwwroot/js/**/*.js`],
  css: ["node_modules/bootstrap/dist/css/bootstrap.css"],
  variables: true,
  keyframes: true,
});
writeFileSync(
  `${target}/bootstrap/bootstrap.css`,
  bootstrap.css.replace(/\/\*# sourceMappingURL.*\*\//, "").replaceAll(/[ \t]+$/gm, ""),
);
