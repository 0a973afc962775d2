// Sends requests that no person would send to a running application, and counts what is answered badly: 5xx, no answer within 5 s, or
// an answer that is neither of the interface's form nor a page.   node tools/fuzz.mjs [count] [seed]
import { startApplication } from "../tests/browser/server.mjs";

const count = Number(process.argv[2] ?? 10000);
let seed = Number(process.argv[3] ?? 1);
// An answer that takes longer is a bad one (s).
const longest = Number(process.argv[4] ?? 5);

/** A number from 0 to 1, the same for the same seed (mulberry32). */
function random() {
  seed = (seed + 0x6d2b79f5) | 0;
  let t = Math.imul(seed ^ (seed >>> 15), 1 | seed);
  t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
  return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
}
const pick = (list) => list[Math.floor(random() * list.length)];

const HOSTILE = [
  "",
  "0",
  "-1",
  "1e308",
  "-1e308",
  "1e-12",
  "NaN",
  "Infinity",
  "99999999999999999999",
  "1:0",
  "0:0",
  "5*",
  "*5",
  "1e9*1e9",
  "100000*1",
  "equal",
  "all",
  "like axis 2",
  "like axis -1",
  "like axis 2 nothing",
  "true",
  "null",
  "[]",
  "{}",
  "../../etc/passwd",
  "<script>x</script>",
  "'; DROP TABLE Projects; --",
  "=1+1",
  "\u0000",
  "\ud800",
  "\u202e",
  "é".repeat(500),
  "x".repeat(5000),
  "3 ft 4 1/4 in",
  "2.75 %",
  "1:40",
  "-0",
  "12,5",
  "1 2 3",
  "+",
  "1+",
  "17.4 + 25.8",
  "edges, surfacing",
  "1-99999999",
  "M3",
  "0x10",
  "1_000",
  "¼",
  "−5",
  "\n",
  "\t5\t",
];
const INDICES = [
  "0",
  "1",
  "2",
  "-1",
  "x",
  "99999999999",
  "1.5",
  "",
  "*",
  "~",
  "~1",
  "%2F",
  "\ud800",
  "0-0",
  "3-2",
  "1-1",
  "-",
  "01",
];

function leaves(node, path = "") {
  if (node !== null && typeof node === "object")
    return [path, ...Object.keys(node).flatMap((k) => leaves(node[k], `${path}/${k}`))];
  return [path];
}

/** A path of the document, now and then with a part replaced. */
function somePath(paths) {
  const parts = pick(paths).split("/");
  if (random() < 0.5 && parts.length > 2)
    parts[1 + Math.floor(random() * (parts.length - 1))] = pick(INDICES);
  if (random() < 0.05) parts.push(pick(INDICES));
  return parts.join("/");
}

function value(depth = 0) {
  const kind = random();
  if (kind < 0.4) return pick(HOSTILE);
  if (kind < 0.7) return pick([0, -1, 1e308, 1e-300, 5, 3.5, -0, 2147483648]);
  if (kind < 0.8) return pick([true, false, null]);
  if (depth > 2) return 1;
  return random() < 0.5 ? [value(depth + 1)] : { [pick(["name", "length", "x", "sizes"])]: value(depth + 1) };
}

const STEPS = [
  "basis",
  "road",
  "axes",
  "deck",
  "girders",
  "sections",
  "substructure",
  "loads",
  "analysis",
  "checks",
  "sheets",
  "nothing",
];
const QUERY = [
  "step",
  "layout",
  "station",
  "pick",
  "girder",
  "width",
  "height",
  "load",
  "effect",
  "stage",
  "zoom",
  "with",
  "table",
  "entry",
  "text",
  "girders",
];
const PARTS = [
  "/parts/girders/1/spans/1",
  "/parts/girders/-1/spans/x",
  "/parts/axes/99",
  "/parts/model/x",
  "/parts/results/0/0/0",
  "/deck/patterns/0/left/0",
];
const LAYOUTS = [
  "model",
  "stages",
  "diagrams",
  "envelopes",
  "models",
  "three",
  "plan",
  "section",
  "elevation",
  "solids",
  "line",
];

function someRequest(projects, paths) {
  const project = random() < 0.03 ? pick(HOSTILE) : pick(projects);
  const base = `/api/bridges/${encodeURIComponent(project.toWellFormed())}`;
  const json = (method, url, body, type = "application/json") => ({
    method,
    url,
    body: typeof body === "string" ? body : JSON.stringify(body),
    type,
  });
  const query = () => {
    const q = new URLSearchParams();
    q.set("step", pick(STEPS));
    for (let i = 0; i < 4; i++)
      q.set(pick(QUERY), random() < 0.5 ? pick(HOSTILE) : pick([...PARTS, ...LAYOUTS, somePath(paths)]));
    return q;
  };
  const kinds = [
    () =>
      json("POST", `${base}/entries`, {
        revision: pick([1, 0, -1, 2]),
        path: somePath(paths),
        text: pick(HOSTILE),
      }),
    () => json("POST", `${base}/entries`, { revision: 1, path: somePath(paths), text: pick(HOSTILE) }),
    () => ({ method: "GET", url: `${base}/workspace?${query()}` }),
    () => ({
      method: "GET",
      url: `${base}/workspace?${new URLSearchParams({ step: pick(STEPS), entry: somePath(paths), text: pick(HOSTILE) })}`,
    }),
    () =>
      json(
        "PATCH",
        `${base}?revision=1&label=${encodeURIComponent(pick(HOSTILE).toWellFormed())}`,
        [
          {
            op: pick(["replace", "add", "remove", "move", "copy", "test", "x"]),
            path: somePath(paths),
            value: value(),
            from: somePath(paths),
          },
        ],
        "application/json-patch+json",
      ),
    () =>
      json(
        "PATCH",
        `${base}?revision=${pick(["1", "x", "-1", ""])}`,
        pick([
          "[]",
          "{}",
          "null",
          "[null]",
          "[{}]",
          '[{"op":1}]',
          '[{"op":"add","path":"/name","value":"\\ud800"}]',
          "[",
        ]),
      ),
    () => ({ method: "GET", url: `${base}/find?text=${encodeURIComponent(pick(HOSTILE).toWellFormed())}` }),
    () => ({
      method: "GET",
      url: `${base}/measure?a=${pick(["1,2,3", "x", "1e308,0,0", ""])}&b=${pick(["0,0,0", "1e9,1,1", ","])}`,
    }),
    () => ({
      method: "GET",
      url: `/bridges/${pick(projects)}/${pick([...STEPS, "set-out", "compare", "models", "road-file", "history"])}?${query()}`,
    }),
    () => ({
      method: "GET",
      url: `/bridges/${pick(projects)}/set-out?${new URLSearchParams({ line: pick(["road", "axis 1", "x"]), from: pick(HOSTILE), to: pick(HOSTILE), step: pick(HOSTILE), offsets: pick(HOSTILE) })}`,
    }),
    () => ({
      method: "GET",
      url: `/bridges/${pick(projects)}/compare?before=${pick(["0", "1", "-1", "x"])}&after=${pick(["1", "9", "x"])}`,
    }),
    () =>
      json(
        "POST",
        "/api/bridges",
        pick([
          "",
          "null",
          "[]",
          "{}",
          '{"format":"pravik-bridge","version":"3"}',
          '{"format":"pravik-bridge","version":4}',
          "{",
          '"x"',
        ]),
      ),
    () => json("PUT", `${base}/revisions/${pick(["1", "-1", "x"])}/name`, { name: pick(HOSTILE) }),
    () => json("POST", `${base}/library`, { path: somePath(paths) }),
    () => json("POST", `${base}/neighbours`, { name: pick(HOSTILE).repeat(2) }),
  ];
  return pick(kinds)();
}

const app = await startApplication();
const projects = ["sorrel-brook", "rowan-fold", "tansy-lane", "hazel-row", "clover-drove"];
const documents = await Promise.all(
  projects.map(async (p) => (await fetch(`${app.url}/api/bridges/${p}/bridge.json`)).json()),
);
const paths = [...new Set(documents.flatMap((d) => leaves(d)))].filter((p) => p.length > 0);
const bad = new Map();
let slowest = 0;
let done = 0;
async function worker() {
  while (done < count) {
    done++;
    const request = someRequest(projects, paths);
    const begun = performance.now();
    let words;
    try {
      const answer = await fetch(app.url + request.url, {
        method: request.method,
        headers: request.type ? { "Content-Type": request.type } : {},
        body: request.body,
        redirect: "manual",
        signal: AbortSignal.timeout(30000),
      });
      const text = await answer.text();
      if (answer.status >= 500) words = `${answer.status}`;
      else if (
        answer.status >= 400 &&
        answer.status !== 414 && // The server itself refuses these, and "%00".
        !request.url.includes("%00") &&
        request.url.startsWith("/api") &&
        !text.startsWith('{"findings"')
      )
        words = `${answer.status} without words: ${text.slice(0, 60)}`;
    } catch (problem) {
      words = `no answer: ${problem.message}`;
    }
    const took = performance.now() - begun;
    slowest = Math.max(slowest, took);
    if (took > 1000 * longest) words = `${words ?? "answered"}, after ${(took / 1000).toFixed(1)} s`;
    if (words) {
      const kind = `${words} ${request.method} ${request.url.split("?")[0].replace(/bridges\/[a-z-]+/, "bridges/*")}`;
      const seen = bad.get(kind) ?? {
        count: 0,
        example: `${request.url.slice(0, 300)} ${request.body?.slice(0, 300) ?? ""}`,
      };
      seen.count++;
      bad.set(kind, seen);
    }
  }
}
await Promise.all(Array.from({ length: 4 }, worker));
await app.stop();
for (const [kind, { count: times, example }] of [...bad].sort((a, b) => b[1].count - a[1].count))
  console.log(`${times} × ${kind}\n    ${example}`);
const total = [...bad.values()].reduce((sum, b) => sum + b.count, 0);
console.log(`${done} requests, ${total} answered badly, slowest ${(slowest / 1000).toFixed(1)} s`);
process.exitCode = total > 0 ? 1 : 0;
