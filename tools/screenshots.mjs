// Takes the pictures in docs/screenshots from the demo data: node tools/screenshots.mjs
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { openPage, startApplication, startBrowser } from "../tests/browser/server.mjs";

const views = [
  ["start", "/"],
  ["road", "/bridges/sorrel-brook/road"],
  ["axes", "/bridges/sorrel-brook/axes"],
  ["deck", "/bridges/sorrel-brook/deck"],
  ["model", "/bridges/sorrel-brook/deck?layout=model"],
  ["girders", "/bridges/sorrel-brook/girders?pick=/parts/girders/3/spans/2"],
  ["substructure", "/bridges/sorrel-brook/substructure"],
  ["loads", "/bridges/sorrel-brook/loads?layout=lanes"],
  ["analysis", "/bridges/sorrel-brook/analysis"],
  ["checks", "/bridges/sorrel-brook/checks"],
  ["history", "/bridges/hazel-row/deck?drawer=history", null, branch],
  ["compare", "/bridges/hazel-row/compare"],
  ["traffic", "/bridges/tansy-lane/analysis?layout=loading&girder=2&show=trafficGroup5"],
  ["sheets", "/bridges/sorrel-brook/sheets"],
  ["rating", "/bridges/tansy-lane/checks?layout=rating"],
  ["steel", "/bridges/ellow-viaduct/checks?layout=section"],
  ["truss", "/trusses/cobble-gill-mended/drive"],
  ["member", "/members/ferry-siding-trough/checks"],
  ["tendons", "/bridges/plover-gate/girders?layout=side&pick=/girders/tendons/1"],
];

/** Two variants of a bridge, for its history. */
async function branch(api) {
  const post = (path, body) =>
    fetch(`${api}/${path}`, {
      method: "POST",
      headers: { "Content-Type": "application/json", Cookie: "pravik-name=M.%20Rook" },
      body: JSON.stringify(body),
    });
  await post("entries", { revision: 1, path: "/deck/patterns/0/slab/thickness", text: "240" });
  await post("entries", { revision: 2, path: "/axes/spans", text: "18 + 24 + 18" });
  await post("variants", { revision: 2, name: "Deeper girders" });
  await post("entries", { revision: 2, path: "/deck/haunch", text: "60" });
  await post("entries", { revision: 4, path: "/girders/overhangLeft", text: "0.8" });
}

const app = await startApplication(mkdtempSync(join(tmpdir(), "pravik-shots-")));
const browser = await startBrowser();
try {
  for (const [name, path, choices, before] of views) {
    await before?.(`${app.url}/api/bridges/hazel-row`);
    const page = await openPage(browser, app.url + path);
    if (name === "start") await page.locator('.bridges[data-waits="false"]').waitFor({ timeout: 120000 });
    if (path.startsWith("/bridges") && name !== "compare")
      await page.locator(".verdict.current, .running.stopped").waitFor({ timeout: 60000 });
    if (name === "compare") await page.locator("td", { hasText: "G1, ultimate" }).first().waitFor();
    for (const [control, value] of Object.entries(choices ?? {}))
      await page.selectOption(`select[name=${control}]`, value);
    if (name === "rating") await page.locator("table.data td", { hasText: "Permit" }).first().waitFor();
    await page.waitForTimeout(path.includes("model") ? 3000 : 900);
    await page.screenshot({ path: `docs/screenshots/${name}.png` });
    if (page.faults.length > 0) throw new Error(`${name}: ${page.faults.join("; ")}`);
    await page.close();
  }
} finally {
  await browser.close();
  await app.stop();
}
