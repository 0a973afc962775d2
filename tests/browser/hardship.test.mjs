// A few rounds of the tools that are run at length on demand: requests that no person would send, and kills during edits.
import assert from "node:assert/strict";
import { spawnSync } from "node:child_process";
import { join } from "node:path";
import { test } from "node:test";
import { root } from "./server.mjs";

const run = (tool, ...values) =>
  spawnSync(process.execPath, [join(root, "tools", tool), ...values], { encoding: "utf8", timeout: 600000 });

test("requests that no person would send are answered in words", () => {
  const { status, stdout } = run("fuzz.mjs", "200", "5", "20");
  assert.equal(status, 0, stdout);
  assert.match(stdout, /200 requests, 0 answered badly/);
});

test("nothing that was acknowledged is lost where the application is killed", () => {
  const { status, stdout } = run("durability.mjs", "2");
  assert.equal(status, 0, stdout);
  assert.match(stdout, /2 kills, [1-9]\d* acknowledged edits, 0 lost/);
});
