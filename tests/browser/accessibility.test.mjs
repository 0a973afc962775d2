// What keyboards and screen readers meet on every screen.
import assert from "node:assert/strict";
import { test } from "node:test";
import AxeBuilder from "@axe-core/playwright";
import { useApplication } from "./server.mjs";

const used = useApplication("sorrel-brook.json");

test("nothing serious stands in the way of keyboard and screen reader", async () => {
  const context = await used.browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  const found = [];
  for (const path of [
    "/",
    "/new",
    ...[
      "basis",
      "road",
      "axes",
      "deck",
      "girders",
      "materials",
      "sections",
      "substructure",
      "loads",
      "analysis",
      "checks",
      "sheets",
      ...["results", "deflected", "frame", "stages", "models", "balance"].map((l) => `analysis?layout=${l}`),
    ].map((s) => `/bridges/sorrel-brook/${s}`),
    "/new-member",
    ...["spans", "section", "bars", "loading", "effects", "checks"].map(
      (s) => `/members/ferry-siding-trough/${s}`,
    ),
    "/new-truss",
    "/trusses/cobble-gill-first/report",
    ...["site", "sketch", "bars", "drive", "drive?layout=space", "cost", "lighter", "compare"].map(
      (s) => `/trusses/cobble-gill-first/${s}`,
    ),
  ]) {
    await page.goto(used.app.url + path);
    if (path.startsWith("/bridges")) await page.locator(".ledger h2").first().waitFor({ timeout: 90000 });
    // What is within drawings is looked at once: they are large, and made alike.
    const axe = new AxeBuilder({ page }).options({ resultTypes: ["violations"] }).setLegacyMode(true);
    const { violations } = await (path.endsWith("/deck") ? axe : axe.exclude(".drawing svg > *")).analyze();
    for (const v of violations.filter((v) => ["serious", "critical"].includes(v.impact)))
      found.push(
        `${path} ${v.id}: ${v.nodes
          .map((n) => n.target)
          .join(" | ")
          .slice(0, 200)}`,
      );
  }
  assert.deepEqual(found, []);
  await context.close();
});
