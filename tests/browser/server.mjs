// Starts the application with a database of its own, and a browser to look at it.
import { spawn } from "node:child_process";
import { copyFileSync, cpSync, mkdtempSync } from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { after, before } from "node:test";
import { fileURLToPath } from "node:url";
import { chromium } from "playwright-core";

export const root = join(dirname(fileURLToPath(import.meta.url)), "..", "..");
const FLAGS =
  "--no-sandbox --disable-quic --no-first-run --disable-background-networking --disable-component-update --disable-sync --enable-unsafe-swiftshader";

const freePort = () =>
  new Promise((resolve) => {
    const probe = createServer().listen(0, "127.0.0.1", () => {
      const { port } = probe.address();
      probe.close(() => resolve(port));
    });
  });

const ended = (child, signal) =>
  new Promise((resolve) => {
    if (child.exitCode !== null) return resolve();
    child.once("exit", resolve);
    child.kill(signal);
  });

/** How long an application may take to begin on a machine that has much else to do (tenths of a second). */
const PATIENCE = 1800;

const answers = (url) =>
  fetch(url).then(
    () => true,
    () => false,
  );

/** A folder with the members and some of the bridges alone, so that no others are analysed beside what is tested. */
function someExamples(names) {
  const folder = mkdtempSync(join(tmpdir(), "pravik-some-"));
  for (const name of names) copyFileSync(join(root, "examples", name), join(folder, name));
  for (const kind of ["members", "trusses"])
    cpSync(join(root, "examples", kind), join(folder, kind), { recursive: true });
  return folder;
}

export async function startApplication(
  data = mkdtempSync(join(tmpdir(), "pravik-browser-")),
  examples = join(root, "examples"),
) {
  const port = await freePort();
  const url = `http://127.0.0.1:${port}`;
  const web = join(root, "src/Pravik.Web");
  const child = spawn(
    "dotnet",
    [
      join(web, "bin/Release/net10.0/Pravik.Web.dll"),
      "--urls",
      url,
      `--Pravik:Data=${data}`,
      `--Pravik:Demo=${examples}`,
      "--Pravik:WarmUp=false",
    ],
    { cwd: web, stdio: "inherit" },
  );
  for (let i = 0; !(await answers(`${url}/health`)); i++) {
    if (i > PATIENCE || child.exitCode !== null) {
      await ended(child, "SIGKILL");
      throw new Error("The application does not answer.");
    }
    await new Promise((r) => setTimeout(r, 100));
  }
  return {
    url,
    data,
    stop: () => ended(child, "SIGTERM"),
    /** Ends it at once, as a power cut does. */
    kill: () => ended(child, "SIGKILL"),
  };
}

export const startBrowser = () =>
  chromium.launch({ executablePath: "/usr/bin/chromium", args: FLAGS.split(" ") });

/** The browser and an application of its own for the tests of a file, with all examples or some. */
export function useApplication(...names) {
  const used = {};
  before(async () => {
    used.app = await startApplication(undefined, names.length > 0 ? someExamples(names) : undefined);
    used.browser = await startBrowser();
  });
  after(async () => {
    await used.browser?.close();
    await used.app?.stop();
  });
  return used;
}

/** Waits until the analysis of the latest edit is in, after which nothing is drawn anew by itself. */
export const analysed = (page) => page.locator(".verdict.current").waitFor({ timeout: 120000 });

/** Chooses in a list, and tells what it offers where it does not offer that. */
export async function choose(page, name, value) {
  const list = page.locator(`select[name=${name}]`);
  try {
    await list.selectOption(value);
  } catch (problem) {
    const offered = await list.locator("option").evaluateAll((all) => all.map((o) => o.value));
    const said = await page.locator(".saved, .verdict, #running").allTextContents();
    throw new Error(
      `“${value}” is none of ${offered.join(" ")} (${said.join("; ")}; ${page.faults.join("; ")}): ${problem.message}`,
      { cause: problem },
    );
  }
}

export const field = (page, path) => page.locator(`[id="f${path.replaceAll("/", "-")}"]`);

/** Does something and waits until the edit that follows is saved and shown. */
export async function saved(page, act) {
  // What was done before must have been said to be saved, or it would be taken for this.
  const rest = () =>
    page.waitForFunction(() => /^edit \d+, saved$/.test(document.querySelector(".saved").textContent));
  await rest();
  const before = await page.locator(".saved").textContent();
  await act();
  const isSaved = (was) => {
    const now = document.querySelector(".saved").textContent;
    return now !== was && /^edit \d+, saved$/.test(now);
  };
  await page.waitForFunction(isSaved, before).catch(async (problem) => {
    const said = await page.locator(".saved, .ledger .why").allTextContents();
    throw new Error(`${problem.message} (${said.filter(Boolean).join("; ")}; ${page.faults.join("; ")})`);
  });
}

/** Types a value and leaves the field; whether it is taken is for the caller to wait for. */
export async function type(page, path, text) {
  await field(page, path).fill(text);
  await field(page, path).press("Enter");
}

/** Types a value and waits until it is saved. */
export const enter = (page, path, text) => saved(page, () => type(page, path, text));

/** Where an element lies, once it rests: a drawing is made anew when results come in, and may be gone for a moment. */
export async function restingBox(locator) {
  for (let last = null, i = 0; i < 100; i++) {
    const box = await locator.boundingBox();
    if (box && last && box.x === last.x && box.y === last.y) return box;
    last = box;
    await new Promise((r) => setTimeout(r, 100));
  }
  throw new Error(`${locator} does not come to rest.`);
}

/** A page that fails the test on any error in its scripts. */
export async function openPage(browser, url) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  // States are waited for, however slow the machine.
  page.setDefaultTimeout(90000);
  page.faults = [];
  page.on("pageerror", (error) => page.faults.push(error.message));
  page.on("console", (m) => {
    if (m.type() === "error" && !m.text().startsWith("Failed to load")) page.faults.push(m.text());
  });
  page.on("response", (r) => r.status() >= 500 && page.faults.push(`${r.status()} ${r.url()}`));
  await page.goto(url);
  return page;
}
