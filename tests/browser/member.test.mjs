// A member alone: begun, typed, broken and mended, read in its effects and checks, printed, deleted and brought back.
import assert from "node:assert/strict";
import { test } from "node:test";
import { analysed, choose, enter, field, openPage, saved, type, useApplication } from "./server.mjs";

const used = useApplication("tansy-lane.json");

const step = async (page, name) => {
  await page.locator(".steps a", { hasText: name }).click();
  await page.locator(".steps a.on", { hasText: name }).waitFor();
};

test("a member is begun by its spans, typed, broken, mended and undone", async () => {
  const page = await openPage(used.browser, `${used.app.url}/`);
  await page.getByRole("link", { name: "New member" }).click();
  await page.getByLabel("Name").fill("Reed house beam");
  await page.getByLabel("Spans").fill("8 + x");
  await page.getByRole("button", { name: "Begin", exact: true }).click();
  await page.locator(".field-validation-error, .reason", { hasText: "not" }).first().waitFor();
  await page.getByLabel("Spans").fill("8 + 2*6");
  await page.getByRole("button", { name: "Begin", exact: true }).click();
  await page.waitForURL("**/members/*/spans");
  await enter(page, "/spans/0/length", "9.5");
  await page.locator('figure[data-view="elevation"] text', { hasText: "9.500 m" }).waitFor();
  await type(page, "/spans/0/length", "1e9");
  await page.locator(".why", { hasText: "must lie between" }).waitFor();
  assert.equal(await field(page, "/spans/0/length").inputValue(), "1e9");
  await field(page, "/spans/0/length").press("Escape");
  await step(page, "Bars");
  await enter(page, "/bars/0/count", "40");
  await page.locator(".verdict", { hasText: "not checked" }).waitFor();
  await page.locator(".flag", { hasText: "1 finding" }).click();
  await page.locator(".drawer", { hasText: "do not fit beside each other" }).waitFor();
  await page.getByRole("button", { name: "Close" }).first().click();
  await enter(page, "/bars/0/count", "6");
  await page.locator(".verdict.passes").waitFor();
  await step(page, "Loads");
  await saved(page, () => page.getByRole("button", { name: "Add traffic" }).click());
  await page.locator(".verdict.fails").waitFor();
  await saved(page, () => page.getByRole("button", { name: "Undo" }).click());
  await page.locator(".verdict.passes").waitFor();
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("effects and checks of a member are read at the cursor, with every line behind them", async () => {
  const page = await openPage(used.browser, `${used.app.url}/members/ferry-siding-trough/effects`);
  await choose(page, "quantity", "V");
  await page.locator("#views figcaption", { hasText: "shear" }).waitFor();
  await page.keyboard.press("]");
  await page.getByRole("button", { name: "Reactions" }).click();
  await page.locator("th", { hasText: "Support 4" }).waitFor();
  await step(page, "Checks");
  await page.getByPlaceholder("Only rows with").fill("hogging");
  await page.locator(".tablebox tbody tr", { hasText: "hogging" }).first().click();
  await page.locator(".ledger h1", { hasText: "hogging" }).waitFor();
  const calculation = await page.locator("#calc").textContent();
  for (const part of ["LM71", "MRd", "EN 1992-1-1 6.1"])
    assert.ok(calculation.includes(part), `${part} is missing`);
  await page.locator(".ledger", { hasText: "Traffic in one lane" }).waitFor();
  await page.getByRole("button", { name: "Section", exact: true }).click();
  await choose(page, "show", "characteristic.sagging");
  await page.locator(".ledger", { hasText: "concrete in tension is left out" }).waitFor();
  await page.locator("#views figcaption", { hasText: "Axial force and moment" }).waitFor();
  const pdf = await page.request.get(`${used.app.url}/api/members/ferry-siding-trough/report.pdf`);
  assert.equal((await pdf.body()).subarray(0, 4).toString(), "%PDF");
  await page.goto(used.app.url);
  const row = page.locator('[data-member="sluice-strip"]');
  await row.getByRole("button", { name: "Delete" }).click();
  await row.waitFor({ state: "detached" });
  await page.getByRole("link", { name: /Deleted/ }).click();
  await row.getByRole("button", { name: "Bring back" }).click();
  await page.goto(used.app.url);
  await row.waitFor();
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("a girder of a bridge is kept as a member, with its effects as tables", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/tansy-lane/checks`);
  await analysed(page);
  await page.getByRole("link", { name: "As members" }).click();
  await page.getByRole("button", { name: "Keep G2, span 1 as a member" }).click();
  await page.waitForURL("**/members/*/checks");
  await page.locator(".verdict", { hasText: "pass" }).waitFor();
  assert.match(await page.locator(".bridge").textContent(), /G2, span 1/);
  await page.locator(".steps a", { hasText: "Loads" }).click();
  await page.locator(".ledger h1", { hasText: "Effects from elsewhere" }).waitFor();
  await step(page, "Bars");
  await page.locator('figure[data-view="section"] text', { hasText: "strands" }).first().waitFor();
  assert.deepEqual(page.faults, []);
  await page.close();
});
