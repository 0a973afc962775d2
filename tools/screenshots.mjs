// Takes the pictures in docs/screenshots from the demo data: node tools/screenshots.mjs
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { openPage, startApplication, startBrowser } from "../tests/browser/server.mjs";

const views = [
  ["road", "/bridges/sorrel-brook/road"],
  ["axes", "/bridges/sorrel-brook/axes"],
  ["deck", "/bridges/sorrel-brook/deck"],
  ["model", "/bridges/sorrel-brook/deck?layout=model"],
  ["girders", "/bridges/sorrel-brook/girders?pick=/parts/girders/3/spans/2"],
  ["levels", "/bridges/sorrel-brook/girders?layout=levels"],
  ["sections", "/bridges/sorrel-brook/sections"],
  ["substructure", "/bridges/sorrel-brook/substructure"],
  ["loads", "/bridges/sorrel-brook/loads"],
  ["analysis", "/bridges/sorrel-brook/analysis"],
  ["checks", "/bridges/sorrel-brook/checks"],
  ["traffic", "/bridges/sorrel-brook/checks?layout=traffic"],
  ["sheets", "/bridges/sorrel-brook/sheets"],
  ["viaduct", "/bridges/ellow-viaduct/girders?pick=/parts/girders/1/spans/2"],
  ["units", "/bridges/rowan-fold/deck"],
  ["along", "/bridges/sorrel-brook/analysis?layout=results", { show: "temperature" }],
  ["stages", "/bridges/sorrel-brook/analysis?layout=stages", { stage: "2" }],
  ["three-models", "/bridges/sorrel-brook/analysis?layout=models"],
  // Last, for it changes the demo's model.
  [
    "shells",
    "/bridges/sorrel-brook/analysis?layout=deflected",
    { drawn: "mAcross" },
    { kind: "shells", supports: "substructure" },
  ],
];

const app = await startApplication(mkdtempSync(join(tmpdir(), "pravik-shots-")));
const browser = await startBrowser();
try {
  for (const [name, path, choices, model] of views) {
    const page = await openPage(browser, app.url + path);
    const settled = () => page.locator(".verdict.current, .running.stopped").waitFor({ timeout: 60000 });
    await settled();
    for (const [field, value] of Object.entries(model ?? {})) {
      await page.selectOption(`[id="f-model-${field}"]`, value);
      await page.waitForTimeout(1500);
      await settled();
    }
    for (const [control, value] of Object.entries(choices ?? {}))
      await page.selectOption(`select[name=${control}]`, value);
    if (name === "three-models") await page.locator("table.data tbody tr").first().click();
    await page.waitForTimeout(path.includes("model") ? 3000 : 900);
    await page.screenshot({ path: `docs/screenshots/${name}.png` });
    if (page.faults.length > 0) throw new Error(`${name}: ${page.faults.join("; ")}`);
    await page.close();
  }
} finally {
  await browser.close();
  await app.stop();
}
