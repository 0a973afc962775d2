// Roads, grounds and the model in space, in the browser.
import assert from "node:assert/strict";
import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { test } from "node:test";
import validator from "gltf-validator";
import { analysed, enter, field, openPage, restingBox, root, saved, useApplication } from "./server.mjs";

const used = useApplication();

test("a newer issue of the road is compared, accepted, and the bridge follows", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/sorrel-brook/road`);
  await page.locator(".ledger h2", { hasText: "At the cursor" }).waitFor();
  await page.getByRole("link", { name: "Bring in a road file" }).click();
  const file = join(used.app.data, "newer.xml");
  const old = readFileSync(join(root, "examples/sorrel-valley.xml"), "utf8");
  writeFileSync(file, old.replace(">160 46.6<", ">160 46.75<"));
  await page.setInputFiles("#file", file);
  await page.getByRole("button", { name: "Read" }).click();
  const axis = page.locator("tr", { hasText: "Axis 2" });
  assert.match(await axis.textContent(), /129\.400.*0\.000.*0\.000.*\+0\.115/s);
  await page.getByRole("button", { name: "Accept" }).click();
  await page.waitForURL("**/sorrel-brook/road");
  await page.locator(".saved", { hasText: "edit 2" }).waitFor();
  await page.locator(".steps a", { hasText: "Axes" }).click();
  await page.locator(".ledger td", { hasText: "45.995" }).waitFor();
  await page.locator(".ledger h1").click();
  await page.keyboard.press("z");
  await page.locator(".ledger td", { hasText: "45.880" }).waitFor();
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("a file that is no road is refused with the reason, and nothing changes", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/sorrel-brook/road-file`);
  const file = join(used.app.data, "bad.xml");
  writeFileSync(file, '<!DOCTYPE x [<!ENTITY a "aaaa">]><LandXML>&a;</LandXML>');
  await page.setInputFiles("#file", file);
  await page.getByRole("button", { name: "Read" }).click();
  await page.locator("[role=alert]", { hasText: "Document types and entities are not read" }).waitFor();
  writeFileSync(file, "east,north,level\n1,2,3\n4,five,6\n");
  await page.setInputFiles("#file", file);
  await page.getByRole("button", { name: "Read" }).click();
  await page.locator("[role=alert]", { hasText: "Line 3 is not east, north and level" }).waitFor();
  await page.close();
});

test("a road is typed as intersection points, and an axis gets its own skew", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/tansy-lane/road`);
  await page.locator("#f-road-entry").waitFor();
  await page.locator("#f-road-entry").selectOption("points");
  await page.locator(".why", { hasText: "at least two points" }).waitFor();
  await saved(page, () =>
    page.evaluate(async () => {
      const points = [
        { east: 880, north: 412 },
        { east: 960, north: 520, radius: 300, transitionIn: 30, transitionOut: 30 },
        { east: 1080, north: 560 },
      ];
      const patch = [
        { op: "replace", path: "/road/points", value: points },
        { op: "replace", path: "/road/entry", value: "points" },
      ];
      await fetch("/api/bridges/tansy-lane?revision=1&label=Points", {
        method: "PATCH",
        headers: { "Content-Type": "application/json-patch+json" },
        body: JSON.stringify(patch),
      });
    }),
  );
  await page.locator("#f-road-points-1-radius").waitFor();
  await enter(page, "/road/points/1/radius", "350");
  await page.locator(".steps a", { hasText: "Axes" }).click();
  await page.locator("#f-axes-own-2-skew").waitFor();
  await enter(page, "/axes/own/2/skew", "5");
  await enter(page, "/axes/stations/2", "70");
  assert.equal(await page.locator("#f-axes-spans").inputValue(), "22.000");
  await page.close();
});

test("the model in space is valid glTF, is shown, and a part of it can be picked", async () => {
  const bytes = new Uint8Array(
    await (await fetch(`${used.app.url}/api/bridges/sorrel-brook/model.glb`)).arrayBuffer(),
  );
  const { issues } = await validator.validateBytes(bytes);
  assert.equal(issues.numErrors, 0, JSON.stringify(issues.messages.slice(0, 3)));
  const page = await openPage(used.browser, `${used.app.url}/bridges/sorrel-brook/girders?layout=model`);
  await page.locator(".kinds label", { hasText: "girders" }).waitFor();
  for (const kind of ["ground", "slab", "surfacing", "footways", "edge beams", "parapets"])
    await page.getByRole("checkbox", { name: kind, exact: true }).uncheck();
  await page.getByRole("button", { name: "From right" }).click();
  // The view is drawn by the graphics card: nothing in the page tells that it has turned.
  await page.waitForTimeout(500);
  const box = await restingBox(page.locator(".model canvas"));
  for (
    let dy = -30;
    dy <= 60 && !(await page.locator(".ledger h1", { hasText: "G5, span 2" }).count());
    dy += 6
  ) {
    await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2 + dy);
    // A click that meets nothing asks for nothing, so that there is no answer to wait for.
    await page.waitForTimeout(250);
  }
  await page.locator(".ledger h1", { hasText: /G5, span 2/ }).waitFor();
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("an axis is dragged in the elevation, the point is named, and the change is seen over the old shape", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/sorrel-brook-fails/axes`);
  const bubble = page.locator('figure[data-view="elevation"] [data-part="/parts/axes/2"] circle');
  await analysed(page);
  const box = await restingBox(bubble);
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 12, y, { steps: 3 });
  await page.locator(".trial", { hasText: "not yet entered" }).waitFor();
  await page.mouse.move(x + 26, y, { steps: 4 });
  await page.mouse.up();
  await page.locator(".saved", { hasText: "edit 2, saved" }).waitFor();
  const spans = await page.locator("#f-axes-spans").inputValue();
  const [first, second] = spans.split(" + ").map(Number);
  assert.ok(first > 18.5 && first < 21 && Math.abs(first + second - 43.2) < 1e-9, spans);
  await page.getByRole("button", { name: "History" }).click();
  await page.locator("#pointname").fill("Longer side span");
  await page.getByRole("button", { name: "Name it" }).click();
  await page.locator(".history b", { hasText: "Longer side span" }).waitFor();
  await page
    .locator(".history li", { hasText: "Example loaded" })
    .getByRole("link", { name: "compare" })
    .click();
  await page.locator('tr[data-path="/axes/spans/0"]').waitFor();
  assert.ok((await page.locator("figure path").count()) > 50);
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("distances are measured between points of the drawings", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/tansy-lane/deck`);
  await page.locator('figure[data-view="section"] svg').waitFor();
  await analysed(page);
  await page.locator(".ledger h1").click();
  await page.keyboard.press("m");
  const corner = async (name, last) => {
    const place = await page.evaluate(
      async ({ name, last }) => {
        const sheet = document.getElementById("sheet");
        const query = `step=deck&width=${sheet.clientWidth}&height=${sheet.clientHeight - 34}`;
        const workspace = await (await fetch(`/api/bridges/tansy-lane/workspace?${query}`)).json();
        const snaps = workspace.views.find((v) => v.id === "section").snaps.filter((s) => s.name === name);
        const snap = snaps.at(last ? -1 : 0);
        const svg = document.querySelector('figure[data-view="section"] svg');
        const p = new DOMPoint(snap.x, snap.y).matrixTransform(svg.getScreenCTM());
        return [p.x, p.y];
      },
      { name, last },
    );
    await page.mouse.click(...place);
  };
  await corner("slab soffit", false);
  await page.locator(".measure p", { hasText: "From slab soffit" }).waitFor();
  await corner("slab soffit", true);
  await page.locator(".measure dl", { hasText: "Square to it9.000 m" }).waitFor();
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("the setting-out table is copied for a spreadsheet", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/sorrel-brook/set-out?line=axes`);
  await page.context().grantPermissions(["clipboard-read", "clipboard-write"], { origin: used.app.url });
  await page.getByRole("button", { name: "Copy" }).click();
  await page.getByRole("button", { name: "Copied" }).waitFor();
  const lines = (await page.evaluate(() => navigator.clipboard.readText())).split("\n");
  assert.equal(lines.length, 13);
  assert.match(lines[1], /^Axis 1, left edge\t\d+\.\d{4}\t-5\.6500\t/);
  await page.close();
});

test("the deck is parted at a joint, a unit gets a value of its own and gives it back", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/tansy-lane/axes`);
  await page.locator("#f-axes-spans").waitFor();
  await enter(page, "/axes/spans", "21.5 + 18");
  await saved(page, () => field(page, "/axes/own/2/kind").selectOption("joint"));
  await page.locator(".steps a", { hasText: "Deck" }).click();
  await page.locator(".ledger button", { hasText: "Unit 2" }).click();
  await page.locator(".ledger h1", { hasText: "Unit 2, axes 2 to 3" }).waitFor();
  await enter(page, "/deck/units/2/slabThickness", "260");
  await page.locator(".ledger td", { hasText: "1 own" }).waitFor();
  await page.getByRole("button", { name: "Give Slab thickness back" }).click();
  await page.locator(".ledger td", { hasText: "1 own" }).waitFor({ state: "detached" });
  assert.equal(await page.locator("#f-deck-units-2-slabThickness").inputValue(), "220");
  assert.deepEqual(page.faults, []);
  await page.close();
});
