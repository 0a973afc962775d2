// A truss scheme: begun, drawn by hand, broken and mended, driven over, made lighter, compared, deleted and brought back.
import assert from "node:assert/strict";
import { test } from "node:test";
import { choose, enter, openPage, saved, useApplication } from "./server.mjs";

const used = useApplication("tansy-lane.json");

const step = async (page, name) => {
  await page.locator(".steps a", { hasText: name }).click();
  await page.locator(".steps a.on", { hasText: name }).waitFor();
};

/** Where a place of the scheme (m) lies on the screen. */
const at = (page, x, z) =>
  page.evaluate(
    ([x, z]) => {
      const figure = document.querySelector('figure[data-view="sketch"]');
      const map = JSON.parse(figure.dataset.sketch);
      const svg = figure.querySelector(".drawing > svg");
      const on = new DOMPoint(map.x0 + map.scale * x, map.y0 - map.scale * z).matrixTransform(
        svg.getScreenCTM(),
      );
      return [on.x, on.y];
    },
    [x, z],
  );

const drag = async (page, ...places) => {
  await saved(page, async () => {
    const points = [];
    for (const place of places) points.push(await at(page, ...place));
    await page.mouse.move(...points[0]);
    await page.mouse.down();
    for (const [i, [x, y]] of points.entries()) {
      if (i === 0) continue;
      const [from, to] = [points[i - 1], [x, y]];
      for (const part of [0.25, 0.5, 0.75, 1])
        await page.mouse.move(from[0] + part * (to[0] - from[0]), from[1] + part * (to[1] - from[1]));
    }
    await page.mouse.up();
  });
};

test("a scheme is begun, drawn with the pointer, held, deleted from and undone", async () => {
  const page = await openPage(used.browser, `${used.app.url}/`);
  await page.getByRole("link", { name: "New truss scheme" }).click();
  await page.getByLabel("Name").fill("Otter stream");
  await page.getByLabel("Opening").fill("wide");
  await page.getByRole("button", { name: "Begin", exact: true }).click();
  await page.locator(".field-validation-error").first().waitFor();
  await page.getByLabel("Opening").fill("20 m");
  await page.getByRole("button", { name: "Begin", exact: true }).click();
  await page.waitForURL("**/trusses/*/site");
  await step(page, "Sketch");
  await choose(page, "look", "draw");
  await page.locator("figure[data-sketch*='\"draws\":true']").waitFor();
  await drag(page, [0, 0], [20, 0]);
  await page.locator(".ledger h1", { hasText: "4 bars" }).waitFor();
  await drag(page, [0, 0], [5, 4]);
  await drag(page, [5, 4], [10, 0]);
  await page.locator(".ledger h1", { hasText: "8 bars" }).waitFor();
  await page.locator("figcaption", { hasText: "it can move" }).waitFor();
  await drag(page, [5, 4], [15, 4]);
  await page.locator(".flag", { hasText: "findings" }).click();
  await page.locator(".drawer", { hasText: "lie in one line" }).first().waitFor();
  await saved(page, () => page.locator(".drawer button", { hasText: "A bar from" }).first().click());
  await saved(page, () => page.locator(".drawer button", { hasText: "A bar from" }).first().click());
  await page.getByRole("button", { name: "Close" }).first().click();
  await page.locator(".verdict", { hasText: "bars" }).waitFor();
  await choose(page, "look", "pick");
  await page.locator("figure[data-sketch*='\"draws\":false']").waitFor();
  await page.locator('#views [data-part="/bars/8"] text').click();
  await page.locator(".ledger h1", { hasText: "Bar 9" }).waitFor();
  await saved(page, () => page.keyboard.press("Delete"));
  await page.locator(".verdict", { hasText: "not checked" }).waitFor();
  await saved(page, () => page.keyboard.press("z"));
  await page.locator(".verdict", { hasText: "bars" }).waitFor();
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("bars are picked by rule, changed together, and typed", async () => {
  const page = await openPage(used.browser, `${used.app.url}/trusses/cobble-gill-first/bars`);
  await page.locator(".ledger button", { hasText: "9 bars" }).first().click();
  await page.locator(".ledger h1", { hasText: "9 bars" }).waitFor();
  await saved(page, () => page.getByRole("button", { name: "One size up" }).click());
  await page.locator(".tablebox td", { hasText: "139.7 × 6.3" }).first().waitFor();
  await saved(page, () => page.keyboard.press("z"));
  await page.locator(".tablebox tbody tr").nth(24).click();
  await page.locator("#calc", { hasText: "6.47" }).waitFor();
  await page.getByRole("button", { name: "Strength and length" }).click();
  await page.locator(".tablebox caption", { hasText: "in other grades" }).waitFor();
  await step(page, "Site");
  await enter(page, "/site/springings", "6");
  await page.locator(".ledger", { hasText: "springing, below the road" }).first().waitFor();
  await saved(page, () => page.getByRole("button", { name: "Undo" }).click());
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("a picture is laid under the sketch, and wrong input is told with its reason", async () => {
  const page = await openPage(used.browser, `${used.app.url}/trusses/cobble-gill-mended/sketch`);
  const give = (name, text) =>
    page
      .locator("input[data-upload]")
      .setInputFiles({ name, mimeType: "text/plain", buffer: Buffer.from(text) });
  await saved(page, () =>
    give(
      "old.svg",
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 2"><path d="M0 2L4 0L9 2"/></svg>',
    ),
  );
  await page.locator("#views image").waitFor();
  await enter(page, "/picture/top", "130");
  await give("notes.txt", "no picture");
  await page.locator(".notice", { hasText: "no picture that can be laid under" }).waitFor();
  await saved(page, () => page.getByRole("button", { name: "Take it away" }).click());
  await page.locator("#views image").waitFor({ state: "detached" });
  await choose(page, "look", "draw");
  await page.locator("figure[data-sketch*='\"draws\":true']").waitFor();
  await drag(page, [2, 118], [2, 113]);
  await page.locator(".flag", { hasText: "finding" }).click();
  await page.locator(".drawer", { hasText: "in the ground" }).first().waitFor();
  await saved(page, () => page.keyboard.press("z"));
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("a vehicle drives over a scheme that fails, and it falls", async () => {
  const page = await openPage(used.browser, `${used.app.url}/trusses/cobble-gill-first/drive`);
  await page.locator(".ledger", { hasText: "buckles" }).waitFor();
  await page.locator("#play").click();
  await page.locator(".filmwords", { hasText: "bar 25, D0 to J1, buckles" }).waitFor();
  await page.locator("#play", { hasText: "Drive" }).waitFor({ timeout: 60_000 });
  await page.getByRole("button", { name: "One moment back" }).click();
  await step(page, "Cost");
  await page.locator(".ledger h1", { hasText: "88,659 EUR" }).waitFor();
  await page.goto(`${used.app.url}/trusses/cobble-gill-mended/compare`);
  await page.locator(".tablebox tbody tr", { hasText: "passes" }).first().waitFor();
  assert.match(await page.locator(".tablebox tbody tr").first().textContent(), /lighter/);
  assert.deepEqual(page.faults, []);
  await page.close();
});

test("a scheme is made lighter, and what was found is taken and undone", async () => {
  const page = await openPage(used.browser, `${used.app.url}/trusses/cobble-gill-mended/lighter?show=size`);
  await page.locator("#layouts").getByRole("button", { name: "Search" }).click();
  await page.locator(".ledger", { hasText: "Best of trials" }).waitFor({ timeout: 120_000 });
  await saved(page, () => page.getByRole("button", { name: "Take it" }).click());
  await page.locator(".ledger .note", { hasText: "It is taken" }).waitFor();
  await page.locator(".verdict", { hasText: "34 bars pass" }).waitFor();
  await saved(page, () => page.keyboard.press("z"));
  assert.deepEqual(page.faults, []);
  await page.goto(`${used.app.url}/`);
  const row = page.locator('[data-truss="cobble-gill-task"]');
  await row.getByRole("button", { name: "Delete" }).click();
  await row.waitFor({ state: "detached" });
  await page.close();
});
