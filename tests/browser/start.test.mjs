// The start page: bridges listed, found, copied, tagged, put away and brought back; new ones begun; variants.
import assert from "node:assert/strict";
import { join } from "node:path";
import { test } from "node:test";
import { analysed, enter, field, openPage, root, saved, useApplication } from "./server.mjs";

const used = useApplication(
  "sorrel-brook.json",
  "sorrel-brook-fails.json",
  "tansy-lane.json",
  "hazel-row.json",
  "clover-drove.json",
  "ellow-viaduct.json",
);
const row = (page, name) =>
  page.locator(".bridgerow").filter({ has: page.getByRole("link", { name, exact: true }) });

async function menu(page, name) {
  await row(page, name).getByText("More").click();
  return row(page, name).locator(".menu > div");
}

async function begin(page, name, template) {
  await page.goto(`${used.app.url}/new`);
  await page.getByLabel("Name").fill(name);
  if (template) await page.getByText(template).click();
  await page.getByRole("button", { name: "Begin", exact: true }).click();
  await page.waitForURL("**/basis");
}

test("bridges are listed with picture and state, found, sorted, and renamed and tagged in place", async () => {
  const page = await openPage(used.browser, used.app.url);
  await row(page, "Sorrel Brook overbridge, first sizing")
    .locator(".stateword.fails")
    .waitFor({ timeout: 240000 });
  assert.match(
    await row(page, "Sorrel Brook overbridge").textContent(),
    /17\.400 \+ 25\.800 \+ 17\.400 m.*5 girders Precast I, continuous.*passes in part/s,
  );
  const picture = row(page, "Ellow viaduct").locator("img");
  await picture.scrollIntoViewIfNeeded();
  await page.waitForFunction((img) => img.complete && img.naturalWidth > 0, await picture.elementHandle());
  await page.getByRole("searchbox").fill("plate girder");
  await page.keyboard.press("Enter");
  await page.waitForURL("**Text=plate*");
  assert.equal(await page.locator(".bridgerow").count(), 1);
  const open = await menu(page, "Ellow viaduct");
  await open.getByLabel("Tags").fill("steel, motorway");
  await open.getByRole("button", { name: "Keep", exact: true }).click();
  await page.getByRole("link", { name: "motorway" }).waitFor();
  await page.goto(`${used.app.url}/?Sort=state`);
  assert.match(await page.locator(".bridgerow .name").first().textContent(), /first sizing/);
  const named = await menu(page, "Tansy Lane bridge");
  await named.getByLabel("Name").fill("");
  await named.getByRole("button", { name: "Rename" }).click();
  await page.locator("[role=alert]").waitFor();
  const again = await menu(page, "Tansy Lane bridge");
  await again.getByLabel("Name").fill("Tansy Lane bridge, north");
  await again.getByRole("button", { name: "Rename" }).click();
  await row(page, "Tansy Lane bridge, north").waitFor();
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("a bridge is copied, kept as a template, archived, deleted and brought back", async () => {
  const page = await openPage(used.browser, used.app.url);
  await page.getByLabel("Your name").fill("R. Plover");
  await page.locator(".author button").click();
  await page.waitForFunction(() => document.getElementById("author").value === "R. Plover");
  await (await menu(page, "Hazel Row slip road bridge")).getByRole("button", { name: "Copy" }).click();
  await row(page, "Hazel Row slip road bridge, copy").waitFor();
  assert.match(await row(page, "Hazel Row slip road bridge, copy").textContent(), /R\. Plover, edit 1/);
  await (
    await menu(page, "Hazel Row slip road bridge, copy")
  )
    .getByRole("button", { name: "Delete" })
    .click();
  await page.locator(".moved", { hasText: "is now under Deleted" }).waitFor();
  assert.equal(await row(page, "Hazel Row slip road bridge, copy").count(), 0);
  await page.keyboard.press("z");
  await row(page, "Hazel Row slip road bridge, copy").waitFor();
  await (
    await menu(page, "Hazel Row slip road bridge, copy")
  )
    .getByRole("button", { name: "Archive" })
    .click();
  await page.getByRole("link", { name: /Archived/ }).click();
  await (
    await menu(page, "Hazel Row slip road bridge, copy")
  )
    .getByRole("button", { name: "Bring back" })
    .click();
  await page.goto(used.app.url);
  await row(page, "Hazel Row slip road bridge, copy").waitFor();
  await (await menu(page, "Clover drove bridge")).getByRole("button", { name: "Keep as a template" }).click();
  await page.waitForURL("**shelf=Template*");
  await begin(page, "Sedge drove bridge", "Clover drove bridge, template");
  await page.locator(".ledger .opening").waitFor();
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("a bridge begins from a template, and its values are assumed until somebody looks at them", async () => {
  const page = await openPage(used.browser, used.app.url);
  await begin(page, "Heron Beck bridge", "Lane bridge, one span of precast girders");
  await page.locator(".steps a.assumed", { hasText: "Deck" }).waitFor();
  await page.locator(".opening a").first().click();
  await page.locator(".steps a.on", { hasText: "Road" }).waitFor();
  await page.locator(".steps a", { hasText: "Axes" }).click();
  await page.locator('.row1.assumed[key="/axes/spans"]').waitFor();
  await enter(page, "/axes/spans", "22");
  await page.locator('.row1:not(.assumed)[key="/axes/spans"]').waitFor();
  await field(page, "/axes/skew").focus();
  await page.keyboard.press("Tab");
  await page.locator('.row1:not(.assumed)[key="/axes/skew"]').waitFor();
  await page.getByRole("button", { name: "I have looked at them" }).click();
  await page.locator(".steps a.good", { hasText: "Axes" }).waitFor();
  // Every step has its help, with a picture, and the panel has the keyboard.
  await page.locator(".ledger h1").click();
  await page.keyboard.press("?");
  await page.locator("#drawer .helppicture").waitFor();
  await page.waitForFunction(() => document.activeElement.id === "drawer");
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("a bridge begins on a road from a file, and a file that is neither is refused with the reason", async () => {
  const page = await openPage(used.browser, `${used.app.url}/new`);
  await page.setInputFiles("#file", join(root, "package.json"));
  await page.getByRole("button", { name: "Bring in" }).click();
  await page.locator("[role=alert]").first().waitFor();
  await page.setInputFiles("#file", join(root, "examples/sorrel-valley.xml"));
  await page.getByRole("button", { name: "Bring in" }).click();
  await page.waitForURL("**/road");
  await page.locator(".ledger h1").waitFor();
  await analysed(page);
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("a variant begins at an earlier point, is compared, gives a value over, and is closed", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/tansy-lane/deck`);
  await analysed(page);
  await enter(page, "/deck/haunch", "60");
  await enter(page, "/deck/patterns/0/slab/thickness", "240");
  await page.getByRole("button", { name: "History" }).click();
  const first = page.locator(".history button", { hasText: "Example loaded" });
  await first.hover();
  const drawn = (image) => image.complete && image.naturalWidth > 0;
  await page.waitForFunction(drawn, await first.locator(".preview").elementHandle());
  await page.locator("#pointname").fill("Thick slab");
  await page
    .locator(".history li", { hasText: "Example loaded" })
    .getByRole("button", { name: "variant" })
    .click();
  await page.locator(".variants .on", { hasText: "Thick slab" }).waitFor();
  await enter(page, "/deck/patterns/0/slab/thickness", "260");
  // Redo of this line does not jump into the other.
  await page.getByRole("button", { name: "Redo" }).isDisabled();
  await page.locator(".variants p", { hasText: "Main" }).getByRole("link", { name: "compare" }).click();
  await page.locator("h2", { hasText: "Quantities and cost" }).waitFor();
  const thickness = page.locator('tr[data-path="/deck/patterns/0/slab/thickness"]');
  assert.match(await thickness.textContent(), /260 mm.*240 mm/s);
  assert.ok(!(await page.locator("main").textContent()).includes("/deck/"), "no paths are shown");
  await page.locator("td", { hasText: "All that was checked" }).waitFor();
  await page.locator('tr[data-path="/deck/haunch"] button').click();
  await page.locator('tr[data-path="/deck/haunch"]').waitFor({ state: "detached" });
  await page.goto(`${used.app.url}/bridges/tansy-lane/deck?drawer=history`);
  await page.waitForFunction(() => document.getElementById("f-deck-haunch").value === "60");
  await saved(page, () =>
    page.locator(".variants p", { hasText: "Main" }).getByRole("button", { name: "Show" }).click(),
  );
  await page.waitForFunction(
    () => document.getElementById("f-deck-patterns-0-slab-thickness").value === "240",
  );
  await page.getByRole("button", { name: "Close variant Thick slab" }).click();
  await page.locator(".variants p", { hasText: "closed" }).waitFor();
  assert.deepEqual(page.faults, []);
  await page.close();
});
