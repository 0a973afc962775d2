// Starts the application with a database of its own, and a browser to look at it.
import { spawn } from "node:child_process";
import { mkdtempSync } from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
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

export async function startApplication(data = mkdtempSync(join(tmpdir(), "pravik-browser-"))) {
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
      `--Pravik:Demo=${join(root, "examples")}`,
      "--Logging:LogLevel:Default=Warning",
    ],
    { cwd: web, stdio: "inherit" },
  );
  for (let i = 0; ; i++) {
    try {
      await fetch(url);
      break;
    } catch {
      if (i > 300) throw new Error("The application does not answer.");
      await new Promise((r) => setTimeout(r, 100));
    }
  }
  return {
    url,
    data,
    stop: () =>
      new Promise((resolve) => {
        child.once("exit", resolve);
        child.kill();
      }),
  };
}

export const startBrowser = () =>
  chromium.launch({ executablePath: "/usr/bin/chromium", args: FLAGS.split(" ") });

/** A page that fails the test on any error in its scripts. */
export async function openPage(browser, url) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  page.faults = [];
  page.on("pageerror", (error) => page.faults.push(error.message));
  page.on("response", (r) => r.status() >= 500 && page.faults.push(`${r.status()} ${r.url()}`));
  await page.goto(url);
  return page;
}
