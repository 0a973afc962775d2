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
  ["quantities", "/bridges/sorrel-brook/sheets?layout=quantities"],
  ["loads", "/bridges/sorrel-brook/loads"],
  ["analysis", "/bridges/sorrel-brook/analysis"],
  ["checks", "/bridges/sorrel-brook/checks"],
  ["traffic", "/bridges/sorrel-brook/checks?layout=traffic"],
  ["sheets", "/bridges/sorrel-brook/sheets"],
  ["viaduct", "/bridges/ellow-viaduct/girders?pick=/parts/girders/1/spans/2"],
  ["soffit", "/bridges/clover-drove/girders?layout=levels"],
  ["units", "/bridges/rowan-fold/deck"],
  ["surroundings", "/bridges/sorrel-brook/road?layout=surroundings"],
];

const app = await startApplication(mkdtempSync(join(tmpdir(), "pravik-shots-")));
const browser = await startBrowser();
try {
  for (const [name, path] of views) {
    const page = await openPage(browser, app.url + path);
    await page.locator(".run.done, .run.fails, .run.stopped").waitFor({ timeout: 60000 });
    await page.waitForTimeout(path.includes("model") ? 3000 : 600);
    await page.screenshot({ path: `docs/screenshots/${name}.png` });
    if (page.faults.length > 0) throw new Error(`${name}: ${page.faults.join("; ")}`);
    await page.close();
  }
} finally {
  await browser.close();
  await app.stop();
}
