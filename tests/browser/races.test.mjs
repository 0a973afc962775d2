// Typing, switching and dragging while runs come in, the server away, and others at work: nothing that was chosen or typed is lost.
import assert from "node:assert/strict";
import { test } from "node:test";
import { analysed, enter, field, openPage, restingBox, type, useApplication } from "./server.mjs";

const used = useApplication();

/** Edits of another person, one after the other, each of which begins a run. */
async function others(project, edits, pause = 250) {
  for (let i = 0; i < edits; i++) {
    const workspace = await (
      await fetch(`${used.app.url}/api/bridges/${project}/workspace?step=deck`)
    ).json();
    const body = JSON.stringify({
      revision: workspace.revision,
      path: "/deck/haunch",
      text: `${31 + (i % 9)}`,
    });
    const answer = await fetch(`${used.app.url}/api/bridges/${project}/entries`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body,
    });
    assert.ok([200, 409].includes(answer.status), `${answer.status}`);
    await new Promise((r) => setTimeout(r, pause));
  }
}

test("choices on the analysis stay while runs report, and a run asks for little", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/tansy-lane/analysis`);
  await analysed(page);
  let asked = 0;
  page.on("request", (r) => (asked += r.url().includes("handler=Parts") ? 1 : 0));
  const work = others("tansy-lane", 4);
  await page.locator('[name="girders"]').fill("1, 3");
  // Another control while the text is still in its field, and while runs report.
  await page.locator('[name="quantity"]').selectOption({ index: 1 });
  const quantity = await page.locator('[name="quantity"]').inputValue();
  await page.getByRole("button", { name: "Shape" }).click();
  await page.getByRole("button", { name: "Along girders" }).click();
  await work;
  await analysed(page);
  assert.equal(await page.locator('[name="girders"]').inputValue(), "1, 3");
  assert.equal(await page.locator('[name="quantity"]').inputValue(), quantity);
  await page.waitForFunction(() => !document.querySelector("#views").textContent.includes("G4"));
  assert.ok(asked < 30, `${asked} requests for the page during four runs`);
  // The address holds the choices: a link shows the same.
  const copy = await openPage(used.browser, page.url());
  assert.equal(await copy.locator('[name="girders"]').inputValue(), "1, 3");
  await copy.close();
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("what is typed keeps its place while others edit and runs come in", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/tansy-lane/deck`);
  await analysed(page);
  const surfacing = field(page, "/deck/patterns/0/surfacing");
  await surfacing.click();
  await surfacing.fill("8");
  const work = others("tansy-lane", 5);
  for (const key of ["7", ".", "5"]) {
    await page.waitForTimeout(300);
    await page.keyboard.type(key);
  }
  await work;
  assert.equal(await surfacing.inputValue(), "87.5");
  assert.equal(await page.evaluate(() => document.activeElement.id), "f-deck-patterns-0-surfacing");
  await page.keyboard.press("Enter");
  await page.locator(".saved", { hasText: /^edit \d+, saved$/ }).waitFor();
  await analysed(page);
  assert.equal(await surfacing.inputValue(), "87.5");
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("quick typing in several fields is saved in order, each value once", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/tansy-lane/deck`);
  await analysed(page);
  const before = Number((await page.locator(".saved").textContent()).match(/\d+/)[0]);
  const values = {
    "/deck/patterns/0/slab/thickness": "235",
    "/deck/patterns/0/surfacing": "95",
    "/deck/endOverhang": "0.7",
  };
  for (const [path, text] of Object.entries(values)) {
    await field(page, path).fill(text);
    await page.keyboard.press("Tab");
  }
  await page.locator(".saved", { hasText: `edit ${before + 3}, saved` }).waitFor();
  await analysed(page);
  for (const [path, text] of Object.entries(values))
    assert.equal(Number(await field(page, path).inputValue()), Number(text));
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("somebody else changes the value that is being typed: whoever types is told", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/hazel-row/deck`);
  await analysed(page);
  await field(page, "/deck/haunch").click();
  await field(page, "/deck/haunch").fill("7");
  await others("hazel-row", 1);
  await page.locator(".row1 .why", { hasText: "Somebody else changed this meanwhile" }).waitFor();
  assert.equal(await field(page, "/deck/haunch").inputValue(), "7");
  await page.keyboard.press("Escape");
  assert.equal(await field(page, "/deck/haunch").inputValue(), "31");
  await page.close();
});

test("while the server is away it is said, what was typed is kept, and sent when it answers again", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/hazel-row/deck`);
  await analysed(page);
  await page.context().setOffline(true);
  await type(page, "/deck/patterns/0/surfacing", "70");
  await page.locator(".saved.lost", { hasText: "1 entry is kept here" }).waitFor();
  assert.equal(await field(page, "/deck/patterns/0/surfacing").inputValue(), "70");
  await type(page, "/deck/endOverhang", "0.8");
  await page.locator(".saved.lost", { hasText: "2 entries are kept here" }).waitFor();
  await page.context().setOffline(false);
  await page.locator(".saved", { hasText: /^edit \d+, saved$/ }).waitFor();
  await page.reload();
  assert.equal(await field(page, "/deck/patterns/0/surfacing").inputValue(), "70");
  assert.equal(await field(page, "/deck/endOverhang").inputValue(), "0.800");
  await page.close();
});

test("an axis is dragged while runs come in, snaps, and is let go where it is", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/hazel-row/axes`);
  await analysed(page);
  const bubble = page.locator('figure[data-view="elevation"] [data-part="/parts/axes/2"] circle');
  const box = await restingBox(bubble);
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  const work = others("hazel-row", 4);
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let i = 1; i <= 12; i++) {
    await page.mouse.move(x + 3 * i, y);
    await page.waitForTimeout(80);
  }
  const words = await page.locator(".trial").textContent();
  assert.match(words, /^axis 2 at \d+\.\d+ m, not yet entered$/);
  await page.mouse.up();
  await work;
  await page.locator(".saved", { hasText: /^edit \d+, saved$/ }).waitFor();
  const station = Number(words.match(/at ([\d.]+) m/)[1]);
  const [first] = (await page.locator("#f-axes-spans").inputValue()).split(" + ").map(Number);
  const start = Number(await field(page, "/axes/firstStation").inputValue());
  assert.ok(Math.abs(start + first - station) < 1e-6, `${start} + ${first} is not ${station}`);
  // On steps that are seen: whole tenths at least.
  assert.ok(Math.abs(station * 10 - Math.round(station * 10)) < 1e-6, `${station}`);
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("a repair and a button are drawn before they are done, and given back when they are left", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/tansy-lane/girders`);
  await analysed(page);
  const before = await page.locator(".saved").textContent();
  await enter(page, "/girders/overhangLeft", "0.2");
  await page.locator(".flag.bad").click();
  const repair = page.locator(".finding.fault button").first();
  await repair.hover();
  await page.locator(".trial", { hasText: "preview: Make it" }).waitFor();
  await page.mouse.move(300, 400);
  await page.locator(".trial").waitFor({ state: "hidden" });
  await repair.click();
  await page.locator(".flag:not(.bad)").waitFor();
  assert.notEqual(await page.locator(".saved").textContent(), before);
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("what is typed while a button is pointed at is saved and shown, and the preview ends", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/tansy-lane/road`);
  await page.getByRole("button", { name: "Add a point" }).hover();
  await page.locator(".trial", { hasText: "preview: Add a point" }).waitFor();
  await enter(page, "/road/profile/0/grade", "1:80");
  assert.equal(await page.locator(".trial").isHidden(), true);
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("a row that is pressed stays under the pointer until it is let go, and is the one that opens", async () => {
  const page = await openPage(used.browser, `${used.app.url}/bridges/tansy-lane/checks`);
  await analysed(page);
  const rows = page.locator(".tablebox tbody tr");
  const last = rows.last();
  const told = await last.textContent();
  await last.scrollIntoViewIfNeeded();
  const box = await restingBox(last);
  await page.mouse.move(box.x + 40, box.y + box.height / 2);
  await page.mouse.down();
  // Others edit: results come in that would draw the table anew.
  await others("tansy-lane", 2);
  await page.waitForTimeout(1500);
  assert.equal(await last.textContent(), told);
  const name = await last.locator("td").first().textContent();
  await page.mouse.up();
  await page.locator(".tablebox tbody tr.on", { hasText: name }).waitFor();
  await analysed(page);
  assert.notEqual(await last.textContent(), told);
  assert.deepEqual(page.faults, []);
  await page.close();
});
