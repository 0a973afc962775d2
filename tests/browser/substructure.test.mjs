// Supports, girders one by one, sections and quantities, as a person enters them in the browser.
import assert from "node:assert/strict";
import { test } from "node:test";
import { analysed, enter, field, openPage, saved, useApplication } from "./server.mjs";

const used = useApplication();

test("a support is changed, another follows a size of it, and a bad size is refused with its reason", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/sorrel-brook/substructure`);
  await page.locator(".ledger h1", { hasText: "Support at axis 2" }).waitFor();
  await analysed(page);
  await enter(page, "/supports/2/sizes/capWidth", "1.6 m");
  await page.locator(".row1", { hasText: "Axis 3" }).locator("button.link").click();
  await page.locator(".ledger h1", { hasText: "Support at axis 3" }).waitFor();
  await enter(page, "/supports/3/sizes/capDepth", "like axis 2 capWidth");
  assert.equal(await field(page, "/supports/3/sizes/capDepth").inputValue(), "1600");
  await field(page, "/supports/3/sizes/columnWidth").fill("90 m");
  await field(page, "/supports/3/sizes/columnWidth").press("Enter");
  await page.getByText("must lie between", { exact: false }).first().waitFor();
  await page.getByRole("button", { name: "Seats" }).click();
  await page.locator("table.data th", { hasText: "Plinth" }).waitFor();
  assert.equal(await page.locator("table.data tbody tr").count(), 20);
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("a girder gets a section of its own, and the bill counts both kinds", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/sorrel-brook/sections`);
  await page.locator(".ledger h1", { hasText: "Precast I" }).waitFor();
  await page.getByRole("button", { name: "AASHTO type IV" }).click();
  await page.locator("table.data td", { hasText: "AASHTO type IV" }).waitFor();
  await page.locator(".steps a", { hasText: "Girders" }).click();
  await page.getByRole("button", { name: "All girders" }).click();
  await page.locator("table.data tbody tr").nth(4).click();
  await page.locator(".ledger h1", { hasText: "G2, span 2" }).waitFor();
  await saved(page, () => field(page, "/girders/own/2-2/section").selectOption("AASHTO type IV"));
  await analysed(page);
  const bill = await (await fetch(`${used.app.url}/api/bridges/sorrel-brook/quantities.csv`)).text();
  assert.match(bill, /Girders,"?AASHTO type IV, number"?,1,/);
  assert.match(bill, /Girders,"?Precast I, number"?,14,/);
  const book = await fetch(`${used.app.url}/api/bridges/sorrel-brook/quantities.xlsx`);
  assert.equal((await book.arrayBuffer()).byteLength > 2000, true);
  assert.deepEqual(page.faults, []);
  await page.close();
});
