// The bridge's model: results along girders, stages, changes by hand, own cases, a model that can move; supports and own sections.
import assert from "node:assert/strict";
import { test } from "node:test";
import { analysed, choose, enter, field, openPage, saved, type, useApplication } from "./server.mjs";

const used = useApplication();

async function open(layout) {
  const page = await openPage(
    used.browser,
    `${used.app.url}/bridges/sorrel-brook/analysis${layout ? `?layout=${layout}` : ""}`,
  );
  if (layout) await analysed(page);
  return page;
}

test("selection, filter and effect stay when the case changes, and the table goes out as a file", async () => {
  const page = await open("results");
  await page.fill("input[name=girders]", "2");
  await page.press("input[name=girders]", "Enter");
  await choose(page, "quantity", "V");
  await page.locator("figcaption b", { hasText: "G2, shear" }).waitFor();
  const rows = page.locator("table.data tbody tr");
  // A station holds for every effect; a shorter text may be part of a value too.
  await page.fill("input.filter", await rows.nth(5).locator("td").nth(2).textContent());
  await page.waitForFunction(() => document.querySelectorAll("table.data tbody tr").length < 10);
  const few = await rows.count();
  await choose(page, "show", "heating");
  await page.locator("caption", { hasText: "top warmer" }).waitFor();
  await page.locator("figcaption b", { hasText: "G2, shear" }).waitFor();
  assert.equal(await rows.count(), few);
  const file = await page.request.get(await page.getByRole("link", { name: "CSV" }).evaluate((a) => a.href));
  assert.equal(file.status(), 200);
  assert.match(await file.text(), /^Girder,Span,Station,/);
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("stages are played, changed and given back; a bad one is refused and kept in its field", async () => {
  const page = await open("stages");
  await page.getByRole("button", { name: "Play" }).click();
  await page.locator("figcaption b", { hasText: "Stage 3" }).waitFor({ timeout: 15000 });
  await page.getByRole("button", { name: "Stop", exact: true }).last().click();
  await choose(page, "stage", "2");
  await page.locator("figcaption b", { hasText: "Stage 2" }).waitFor();
  await saved(page, () => page.getByRole("button", { name: "Cast the slab span by span" }).click());
  await page.locator("table.data", { hasText: "Slab, cast in span 2" }).waitFor();
  const pours = field(page, "/actions/stages/0/pours");
  await page.locator("table.cells button.link", { hasText: "Girders set" }).click();
  await pours.fill("everything");
  await pours.press("Enter");
  await page.locator(".why", { hasText: "does not name spans" }).first().waitFor();
  assert.equal(await pours.inputValue(), "everything");
  await saved(page, () => page.getByRole("button", { name: "Back to the usual stages" }).click());
  await page.locator("table.data", { hasText: "Slab, cast in spans 1, 2, 3" }).waitFor();
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("a change by hand stays in another model; a girder that loses a piece shows how it can move", async () => {
  const page = await open("frame");
  const member = page.locator('[data-part="/parts/model/G2-30"]').first();
  await member.dispatchEvent("click");
  await page.locator(".ledger h2", { hasText: "Member G2-30" }).waitFor();
  await saved(page, () => page.getByRole("button", { name: "Half as stiff" }).click());
  await page.locator(".ledger h2", { hasText: "Changed by hand 1" }).waitFor();
  await saved(page, () => field(page, "/model/kind").selectOption("line"));
  await analysed(page);
  await page.locator("figcaption b", { hasText: "line girders" }).waitFor();
  assert.equal(await field(page, "/model/changes/0/part").inputValue(), "G2-30");
  await member.dispatchEvent("click");
  await saved(page, () => page.getByRole("button", { name: "Leave it out" }).click());
  await page.locator("figcaption b", { hasText: "How it can move" }).waitFor();
  await page.locator("figure svg animate").first().waitFor({ state: "attached" });
  await page.locator(".flag", { hasText: "1 finding" }).waitFor();
  await saved(page, () => page.getByRole("button", { name: "Undo this change" }).last().click());
  await analysed(page);
  await page.locator("figcaption b", { hasText: "line girders" }).waitFor();
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("an own vehicle drives, is seen to scale, and the load behind a value shows it", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/willow-mill/loads?layout=vehicles`);
  await saved(page, () => page.getByRole("button", { name: "Add an own vehicle" }).click());
  await enter(page, "/traffic/vehicles/0/axles/2/load", "240");
  await type(page, "/traffic/vehicles/0/axles/1/gap", "-3");
  await page.getByText("must lie between", { exact: false }).first().waitFor();
  await type(page, "/traffic/vehicles/0/axles/0/wheels", "-1.2 x");
  await page.getByText("Places have spaces between them", { exact: false }).first().waitFor();
  await enter(page, "/traffic/vehicles/0/axles/0/wheels", "-1.2 -0.4 0.4 1.2");
  await choose(page, "traffic", "LM3 600/150");
  await saved(page, () => page.getByRole("button", { name: "Add LM3 600/150" }).click());
  await saved(page, () => field(page, "/traffic/models/0/name").selectOption("Own vehicle 1"));
  await page.getByRole("button", { name: "Lanes" }).click();
  await choose(page, "lanes", "2");
  await page.locator("figure svg text", { hasText: "lane 1" }).first().waitFor();
  await page.getByRole("button", { name: "Combinations" }).click();
  await page.locator("td", { hasText: "Ultimate, special vehicle leading" }).waitFor();
  await page.getByRole("link", { name: "Analysis" }).click();
  await page.getByRole("button", { name: "Loading" }).click();
  await analysed(page);
  await choose(page, "show", "trafficGroup5");
  await page.locator("table.data td", { hasText: "Own vehicle 1 with LM1, frequent" }).waitFor();
  await page.locator(".ledger", { hasText: "Own vehicle 1," }).waitFor();
  await choose(page, "show", "traffic Own vehicle 1");
  await page.locator(".ledger", { hasText: "cycles of one passage" }).waitFor();
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("an influence surface is looked at, its traffic kept as a case, and traffic is rated", async () => {
  const page = await openPage(
    used.browser,
    `${used.app.url}/bridges/tansy-lane/analysis?layout=influence&show=traffic&girder=2`,
  );
  await analysed(page);
  await page.locator("figcaption", { hasText: "Influence surface" }).waitFor();
  await choose(page, "drawn", "heights");
  await choose(page, "along", "lane1");
  await page.locator("figcaption", { hasText: "Along lane 1 of the traffic" }).waitFor();
  await choose(page, "quantity", "V");
  await page.locator(".ledger", { hasText: "shear at G2" }).waitFor();
  await choose(page, "quantity", "M");
  await page.getByRole("button", { name: "Loading" }).click();
  await saved(page, () => page.getByRole("button", { name: "Keep the traffic as a load case" }).click());
  await page.getByRole("link", { name: "Loads" }).click();
  await page.getByRole("button", { name: "Own loads" }).click();
  await page.locator(".ledger", { hasText: "M greatest G2" }).first().waitFor();
  await page.locator(".ledger th", { hasText: "Down" }).waitFor();
  await page.getByRole("button", { name: "Lanes" }).click();
  await saved(page, () => page.getByRole("button", { name: "Type them" }).click());
  await enter(page, "/traffic/carriageways/0/from", "4");
  await page.locator("#state", { hasText: "finding" }).waitFor();
  await saved(page, () => page.getByRole("button", { name: "As they are found" }).click());
  await page.locator(".steps a", { hasText: "Checks" }).click();
  await page.getByRole("button", { name: "Rating" }).click();
  await page.locator("table.data td", { hasText: "Permit 96 t" }).first().waitFor();
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("a factor of a combination gets an own value, lanes are made a model's own, and a bearing shows its load", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/willow-mill/loads?layout=combinations`);
  await page.locator("tr", { hasText: "Ultimate, wind leading" }).click();
  const wind = "/actions/ownFactors/ultimate.wind.wind";
  await field(page, wind).waitFor();
  await type(page, wind, "-1");
  await page.getByText("must lie between", { exact: false }).first().waitFor();
  await enter(page, wind, "1.6");
  await page.locator("td", { hasText: "Ultimate, wind leading *" }).waitFor();
  await saved(page, () => page.getByRole("button", { name: "All as in the standard" }).click());
  await page.getByRole("button", { name: "Lanes" }).click();
  await saved(page, () => page.getByRole("button", { name: "Only in the lanes drawn" }).click());
  await page.getByText("It goes in these lanes alone", { exact: false }).waitFor();
  await saved(page, () => page.getByRole("button", { name: "Anywhere again" }).click());
  await page.getByRole("link", { name: "Analysis" }).click();
  await page.getByRole("button", { name: "Distribution" }).click();
  await page.getByText("Worked out under AASHTO LRFD").waitFor();
  await page.getByRole("button", { name: "Stages" }).click();
  await analysed(page);
  await saved(page, () => page.getByRole("button", { name: "Let LM1 drive" }).click());
  await page.getByRole("button", { name: "Loading" }).click();
  await analysed(page);
  await choose(page, "place", "seat1");
  await page.locator("caption", { hasText: "Reaction, up at G1 on axis" }).waitFor();
  await page.getByRole("button", { name: "Influence" }).click();
  await page.locator(".ledger", { hasText: "reaction, up at" }).waitFor();
  await page.getByRole("button", { name: "Along girders" }).click();
  await analysed(page);
  await choose(page, "show", "stage1traffic");
  await page.locator("caption", { hasText: "with its traffic" }).waitFor();
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("an own case is put on the deck and shown with its reactions", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/hazel-row/loads?layout=ownLoads`);
  await saved(page, () => page.getByRole("button", { name: "Add an own case" }).click());
  await saved(page, async () => {
    await field(page, "/actions/cases/0/loads/0/value").fill("300");
    await field(page, "/actions/cases/0/loads/0/value").press("Enter");
  });
  await page.locator("figure svg text", { hasText: "300.0 kN" }).waitFor();
  await page.getByRole("link", { name: "Analysis" }).click();
  await page.getByRole("button", { name: "Shape" }).click();
  await analysed(page);
  await choose(page, "show", "own1");
  await choose(page, "motion", "moving");
  await page.locator("figure svg animate").first().waitFor({ state: "attached" });
  await page.getByRole("link", { name: "Substructure" }).click();
  await page.locator(".ledger h1").waitFor();
  assert.deepEqual(page.faults, []);
  await page.close();
});

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
