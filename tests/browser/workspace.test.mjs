// What a person does with a bridge, in the browser.
import assert from "node:assert/strict";
import { execFileSync } from "node:child_process";
import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { test } from "node:test";
import {
  analysed,
  enter,
  field,
  openPage,
  restingBox,
  saved,
  startApplication,
  type,
  useApplication,
} from "./server.mjs";

const used = useApplication();

const verdict = (page) => page.locator(".verdict");

const step = async (page, name) => {
  await page.locator(".steps a", { hasText: name }).click();
  await page.locator(".steps a.on", { hasText: name }).waitFor();
  await page.locator("#views figure").first().waitFor();
};

test("the demo shows its worst value, its calculation and the traffic behind it", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/sorrel-brook/checks`);
  await analysed(page);
  assert.match(await verdict(page).textContent(), /^10 checks pass, 0\.9\d; \d+ not checked yet$/);
  // The slab across has its own layout, table and calculation.
  await page.getByRole("button", { name: "Slab across" }).click();
  await page.locator(".tablebox caption", { hasText: "Slab across" }).waitFor();
  await page.locator(".tablebox tbody tr", { hasText: "Punching" }).first().click();
  await page.locator(".ledger h1", { hasText: "punching" }).waitFor();
  await page
    .locator("#calc .line", { hasText: "u₁" })
    .or(page.locator("#calc", { hasText: "around the wheel" }))
    .first()
    .waitFor();
  await page.getByRole("button", { name: "Diagram" }).click();
  await page.getByPlaceholder("Only rows with").fill("struts at the end");
  await page.locator(".tablebox tbody tr", { hasText: "struts at the end" }).first().click();
  await page.locator(".ledger h1", { hasText: "struts at the end" }).waitFor();
  await page.locator(".calc .line").first().waitFor();
  const calculation = await page.locator("#calc").textContent();
  for (const part of ["VRd,max", "bw", "EN 1992-1-1 (6.9)"])
    assert.ok(calculation.includes(part), `${part} is missing`);
  await page.locator("figure svg text", { hasText: "VRd" }).first().waitFor();
  await page.getByRole("button", { name: "Show the traffic on the deck" }).click();
  await page.locator('figure[data-view="plan"] text', { hasText: "lane 1" }).waitFor();
  await saved(page, () => page.getByRole("button", { name: "Take these links" }).click());
  await page.getByText("These are the links of today").waitFor({ timeout: 90000 });
  await saved(page, () => page.getByRole("button", { name: "Undo" }).click());
  await analysed(page);
  await page.getByPlaceholder("Only rows with").fill("hogging");
  await page.locator(".tablebox tbody tr", { hasText: "hogging" }).first().click();
  await page.locator(".ledger h1", { hasText: "hogging" }).waitFor();
  const worst = await page.locator(".tablebox tbody tr").first().textContent();
  await page.getByRole("button", { name: "Utilisation" }).click();
  await page.locator("th[aria-sort=descending]", { hasText: "Utilisation" }).waitFor();
  await page.getByRole("button", { name: "Utilisation" }).click();
  await page.locator("th[aria-sort=ascending]", { hasText: "Utilisation" }).waitFor();
  // The least comes first, and the worst away from there.
  await page.waitForFunction(
    (text) => document.querySelector(".tablebox tbody tr")?.textContent !== text,
    worst,
  );
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("a bridge is made by typing, broken, mended, undone, and found again after a restart", async () => {
  let page = await openPage(used.browser, `${used.app.url}/new`);
  await page.getByLabel("Name").fill("Fern Gill bridge");
  await page.getByRole("button", { name: "Begin", exact: true }).click();
  await page.waitForURL("**/basis");
  await field(page, "/basis/titles/client").waitFor();
  await enter(page, "/basis/titles/client", "Gill parish");
  await step(page, "Road");
  await enter(page, "/road/elements/0/length", "400");
  await enter(page, "/road/elements/0/startRadius", "900");
  await enter(page, "/road/elements/0/endRadius", "900");
  await saved(page, () => page.getByRole("button", { name: "Add a point" }).click());
  await enter(page, "/road/profile/0/grade", "1:50");
  await step(page, "Axes");
  await enter(page, "/axes/spans", "18 + 2*22.5");
  await enter(page, "/axes/skew", "10");
  await step(page, "Deck");
  await enter(page, "/deck/patterns/0/left/0/width", "3.65");
  await enter(page, "/deck/patterns/0/slab/thickness", "240 mm");
  await step(page, "Girders");
  await enter(page, "/girders/count", "6");
  await enter(page, "/girders/overhangLeft", "0.9");
  await enter(page, "/girders/types/0/strands/rows/1/count", "8");
  await analysed(page);
  const words = await verdict(page).textContent();

  // Wrong entries stay in their field, with the reason, and nothing else changes.
  await type(page, "/girders/count", "many");
  await page.locator(".row1 .why", { hasText: "not a number" }).waitFor();
  assert.equal(await field(page, "/girders/count").inputValue(), "many");
  await type(page, "/girders/count", "30");
  await page.locator(".row1 .why", { hasText: "do not fit" }).waitFor();
  await field(page, "/girders/count").press("Escape");
  assert.equal(await field(page, "/girders/count").inputValue(), "6");
  await step(page, "Axes");
  await type(page, "/axes/skew", "75");
  await page.locator(".row1 .why", { hasText: "must lie between" }).waitFor();
  assert.equal(await verdict(page).textContent(), words);

  // Undo takes back the last good edit.
  await page.locator(".ledger h1").click();
  await page.keyboard.press("z");
  await step(page, "Girders");
  await page.waitForFunction(
    () => document.getElementById("f-girders-types-0-strands-rows-1-count")?.value === "4",
  );
  const address = new URL(page.url()).pathname;
  assert.deepEqual(page.faults, []);
  await page.close();

  await used.app.stop();
  used.app = await startApplication(used.app.data);
  page = await openPage(used.browser, used.app.url + address);
  await page.waitForFunction(() => document.getElementById("f-girders-count")?.value === "6");
  await step(page, "Axes");
  assert.equal(await field(page, "/axes/spans").inputValue(), "18.000 + 22.500 + 22.500");
  await page.getByRole("button", { name: "Redo" }).click();
  await step(page, "Girders");
  await page.waitForFunction(
    () => document.getElementById("f-girders-types-0-strands-rows-1-count")?.value === "8",
  );
  await page.getByRole("button", { name: "History" }).click();
  await page.locator(".history li", { hasText: "Number of strands in row 2 of Type A set to 8" }).waitFor();
  await page.close();
});

test("an edit in one browser shows in another, and the same value changed in both is told", async () => {
  const one = await openPage(used.browser, `${used.app.url}/bridges/tansy-lane/deck`);
  const two = await openPage(used.browser, `${used.app.url}/bridges/tansy-lane/deck`);
  await field(two, "/deck/haunch").waitFor();
  // The second does not hear of edits for a while.
  await two.route("**/*handler=Parts*", (route) => route.abort());
  await field(one, "/deck/haunch").waitFor();
  await enter(one, "/deck/haunch", "45");
  await type(two, "/deck/haunch", "60");
  await two.locator(".row1 .why", { hasText: "Somebody else changed this" }).waitFor();
  assert.equal(await field(two, "/deck/haunch").inputValue(), "60");
  assert.equal(await field(one, "/deck/haunch").inputValue(), "45");
  await two.unroute("**/*handler=Parts*");
  await enter(one, "/deck/patterns/0/surfacing", "90");
  await two.waitForFunction(() => document.getElementById("f-deck-patterns-0-surfacing").value === "90");
  await type(two, "/deck/haunch", "60");
  await one.waitForFunction(() => document.getElementById("f-deck-haunch").value === "60");
  await one.close();
  await two.close();
});

test("the station is moved with keys and by the band, and every drawing obeys", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/sorrel-brook/deck`);
  const caption = page.locator('figure[data-view="section"] figcaption b');
  await caption.waitFor();
  await page.locator(".ledger h1").click();
  await page.keyboard.press("]");
  await page.locator("figcaption b", { hasText: "Section at 155.200" }).waitFor();
  // Two keys one after the other: none is lost, and no older answer takes the cursor back.
  await page.keyboard.press("[");
  await page.keyboard.press("[");
  await page.locator("figcaption b", { hasText: "Section at 112.000" }).waitFor();
  const band = await restingBox(page.locator("#band"));
  await page.mouse.move(band.x + 300, band.y + 8);
  await page.mouse.down();
  await page.mouse.move(band.x + 500, band.y + 8, { steps: 4 });
  await page.mouse.up();
  await page.waitForFunction(() =>
    /^Section at 13[34]/.test(document.querySelector("figcaption b").textContent),
  );
  await page.keyboard.press("/");
  await page.keyboard.type("slab thick");
  await page.locator(".find li").first().waitFor();
  await page.keyboard.press("Enter");
  await page.waitForFunction(() => document.activeElement.id === "f-deck-patterns-0-slab-thickness");
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("a drawing is seen closer, stays so when it is drawn anew, and is whole again", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/sorrel-brook/deck?layout=section`);
  await analysed(page);
  const svg = page.locator('figure[data-view="section"] .drawing > svg');
  const width = async () => Number((await svg.getAttribute("viewBox")).split(" ")[2]);
  const box = await restingBox(svg);
  const whole = await width();
  await page.mouse.move(box.x + box.width / 4, box.y + box.height / 2);
  await page.keyboard.down("Control");
  await page.mouse.wheel(0, -400);
  await page.keyboard.up("Control");
  await page.waitForFunction(() => document.querySelector("figcaption span").dataset.closer === "2.7");
  assert.ok(Math.abs((await width()) * Math.E - whole) < 0.01 * whole);
  await page.locator(".ledger h1").click();
  await page.keyboard.press("]");
  await page.locator("figcaption b", { hasText: "Section at 155.200" }).waitFor();
  assert.ok((await width()) < 0.5 * whole);
  await page.keyboard.press("f");
  assert.ok((await width()) > 0.9 * whole);
  assert.equal(await page.locator("[data-closer]").count(), 0);
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("a bridge that fails says so, and the finding leads to the place", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/sorrel-brook-fails/girders`);
  await page.locator(".verdict.fails").waitFor({ timeout: 60000 });
  await page.locator(".flag.bad").click();
  await page.locator(".finding.error").first().getByRole("link", { name: "Go there" }).click();
  await page.locator(".calc", { hasText: "fails" }).waitFor();
  await page.close();
});

test("the sheet is printed, and reads as it looks", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/sorrel-brook/sheets`);
  await page.locator('figure[data-view="sheet"] svg').waitFor();
  const download = page.waitForEvent("download");
  await page.getByRole("link", { name: "PDF" }).click();
  const file = join(used.app.data, "sheet.pdf");
  await (await download).saveAs(file);
  const text = execFileSync("pdftotext", ["-layout", file, "-"], { encoding: "utf8" });
  for (const part of [
    "Sorrel Brook overbridge",
    "General arrangement",
    "17.400",
    "25.800",
    "10.700",
    "SB-01-100",
  ])
    assert.ok(text.includes(part), `${part} is not on the sheet`);
  execFileSync("pdftoppm", ["-r", "40", "-gray", file, join(used.app.data, "sheet")]);
  const picture = readFileSync(join(used.app.data, "sheet-1.pgm"));
  const dark = picture.subarray(20).filter((level) => level < 128).length / picture.length;
  assert.ok(dark > 0.005 && dark < 0.2, `ink covers ${dark} of the sheet`);
  const svg = await (await fetch(`${used.app.url}/api/bridges/sorrel-brook/general-arrangement.svg`)).text();
  writeFileSync(join(used.app.data, "sheet.svg"), svg);
  const alone = await openPage(used.browser, `file://${join(used.app.data, "sheet.svg")}`);
  assert.ok((await alone.locator("text").count()) > 40);
  await alone.close();
  await page.close();
});

test("the report tells all checks, on the screen and on numbered pages", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/sorrel-brook/checks`);
  await analysed(page);
  const opened = page.waitForEvent("popup");
  await page.getByRole("link", { name: "Report", exact: true }).click();
  const report = await opened;
  // The page is long: its last part must be there before figures are counted.
  await report.getByRole("heading", { name: "7 All checks" }).waitFor();
  assert.ok((await report.locator("figure svg").count()) > 15);
  const download = report.waitForEvent("download");
  await report.getByRole("link", { name: "PDF" }).click();
  const file = join(used.app.data, "report.pdf");
  await (await download).saveAs(file);
  const text = execFileSync("pdftotext", ["-layout", file, "-"], { encoding: "utf8" });
  const pages = Number(text.match(/page 1 of (\d+)/)[1]);
  assert.ok(pages > 20);
  for (let i = 1; i <= pages; i++)
    assert.ok(text.includes(`page ${i} of ${pages}`), `page ${i} has no number`);
  for (const part of ["SB-01-100", "Not checked yet", "Interface of girder and slab", "α", "Girder G5"])
    assert.ok(text.includes(part), `${part} is not in the report`);
  await report.close();
  await page.close();
});
