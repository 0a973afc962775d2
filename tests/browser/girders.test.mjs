// Girders picked together, girders that deepen, outlines of sections drawn with the mouse.
import assert from "node:assert/strict";
import { test } from "node:test";
import { analysed, field, openPage, restingBox, saved, type, useApplication } from "./server.mjs";

const used = useApplication();

test("an outline is drawn and a corner dragged; one that crosses itself is refused and nothing is lost", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/tansy-lane/sections?layout=shapeOnly`);
  await page.getByRole("button", { name: "Draw outline" }).click();
  const svg = page.locator('figure[data-view="shape"] svg');
  const draw = async (...corners) => {
    const box = await svg.boundingBox();
    for (const [x, y] of corners) await page.mouse.click(box.x + x * box.width, box.y + y * box.height);
  };
  await draw([0.4, 0.7], [0.6, 0.7], [0.6, 0.4], [0.4, 0.4]);
  await saved(page, () => page.keyboard.press("Enter"));
  await page.locator(".ledger h1", { hasText: "Own section 1" }).waitFor();
  assert.equal(await svg.locator(`[data-part*="/corners/"]`).count(), 4);
  const across = await field(page, "/sections/1/outlines/0/corners/1/x").inputValue();
  // The drawing is made anew when the analysis is done; then it rests.
  await analysed(page);
  const corner = await restingBox(svg.locator(`[data-part*="/corners/"]`).nth(1));
  await page.mouse.move(corner.x + corner.width / 2, corner.y + corner.height / 2);
  await page.mouse.down();
  await page.mouse.move(corner.x + 60, corner.y, { steps: 4 });
  await saved(page, () => page.mouse.up());
  await page.waitForFunction(
    (was) => document.querySelector('[id="f-sections-1-outlines-0-corners-1-x"]').value !== was,
    across,
  );
  // A void that crosses itself: the reason is shown, the section stays.
  await page.getByRole("button", { name: "Draw void" }).click();
  await draw([0.45, 0.5], [0.55, 0.6], [0.55, 0.5], [0.45, 0.6]);
  await page.keyboard.press("Enter");
  await page.locator(".notice", { hasText: "crosses itself" }).waitFor();
  assert.equal(await svg.locator(`[data-part*="/corners/"]`).count(), 4);
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("girders picked together take one value", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/sorrel-brook/girders?layout=allGirders`);
  const rows = page.locator("table.data tbody tr");
  await rows.first().waitFor();
  await rows.nth(1).click();
  await page.locator(".ledger h1", { hasText: "G1, span 2" }).waitFor();
  await rows.nth(4).click({ modifiers: ["Shift"] });
  await page.locator(".ledger h1", { hasText: "2 girders" }).waitFor();
  await saved(page, () => type(page, "/girders/own/1-2+2-2/camber", "31"));
  await page.waitForFunction(
    () =>
      [...document.querySelectorAll("table.data tbody tr.on")].filter((r) => r.textContent.includes("31"))
        .length === 2,
  );
  await type(page, "/girders/own/1-2+2-2/camber", "31 m");
  await page.getByText("must lie between", { exact: false }).first().waitFor();
  await saved(page, () => page.getByRole("button", { name: "Same as the others" }).first().click());
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("girders are let deepen towards the piers, and a depth that does not fit is told", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/willow-mill/girders`);
  await saved(page, () => page.getByRole("button", { name: "Let it change along every span" }).click());
  await page
    .locator(".ledger h2, .ledger h3, .ledger caption", { hasText: "Depth along every span" })
    .first()
    .waitFor();
  await type(page, "/girders/depth/middle", "8 in");
  await page
    .getByText(/cannot be 8\S* in deep/)
    .first()
    .waitFor();
  await saved(page, () => page.getByRole("button", { name: "Back to the section's depth" }).first().click());
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("a second type of girder is made, named and given to a girder, and what refers to it keeps its name", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/sorrel-brook/girders?layout=allGirders`);
  await saved(page, () => page.getByRole("button", { name: "Add a type like Type A" }).click());
  await page.locator(".row1", { hasText: "Type C" }).locator(".link").click();
  await page.locator(".ledger h1", { hasText: "Type C" }).waitFor();
  await saved(page, () => type(page, "/girders/types/2/strands/rows/1/count", "12"));
  await page.locator("table.data tbody tr").nth(1).click();
  await page.locator(".ledger h1", { hasText: "G1, span 2" }).waitFor();
  await saved(page, () => field(page, "/girders/own/1-2/type").selectOption("Type C"));
  await page.locator("table.data tbody tr", { hasText: "Type C" }).waitFor();
  assert.equal(await page.locator("table.data tbody tr", { hasText: "Type C" }).count(), 1);
  await saved(page, () => type(page, "/girders/types/2/name", "Outer girders"));
  await page.locator("table.data tbody tr", { hasText: "Outer girders" }).waitFor();
  await type(page, "/girders/types/2/name", "Type A");
  await page.getByText("another type of girder called", { exact: false }).first().waitFor();
  assert.deepEqual(page.faults, []);
  await page.close();
});
