// Kills the application again and again while several people edit, starts it anew on the same data, and looks for every edit that was
// acknowledged.   node tools/durability.mjs [kills]
import { startApplication } from "../tests/browser/server.mjs";

const kills = Number(process.argv[2] ?? 200);
const PEOPLE = 4;
const acknowledged = new Map();
let data;
let lost = 0;
let edits = 0;

/** Edits bridges until the connection goes; what was acknowledged is remembered by bridge and revision. */
async function edit(url, person, round) {
  const id = ["sorrel-brook", "tansy-lane", "hazel-row", "willow-mill"][person % 4];
  let revision = (await (await fetch(`${url}/api/bridges/${id}/history`)).json())[0].revision;
  for (let i = 0; ; i++) {
    const value = 0.02 + ((round * 1000 + i) % 400) / 1e4;
    let answer;
    try {
      answer = await fetch(`${url}/api/bridges/${id}?revision=${revision}&label=kept`, {
        method: "PATCH",
        headers: { "Content-Type": "application/json-patch+json" },
        body: JSON.stringify([{ op: "replace", path: "/deck/haunch", value }]),
      });
      if (!answer.ok) return;
      revision = (await answer.json()).revision;
    } catch {
      return;
    }
    edits++;
    acknowledged.set(`${id} ${revision}`, value);
  }
}

/** Every acknowledged edit must be in the history, and the last of each bridge must be what it is now. */
async function look(url) {
  const last = new Map();
  for (const [key, value] of acknowledged) {
    const [id, revision] = key.split(" ");
    if (!last.has(id) || last.get(id).revision < Number(revision))
      last.set(id, { revision: Number(revision), value });
  }
  for (const [id, { revision, value }] of last) {
    const history = await (await fetch(`${url}/api/bridges/${id}/history`)).json();
    const known = new Set(history.map((h) => h.revision));
    for (const key of acknowledged.keys())
      if (key.startsWith(`${id} `) && !known.has(Number(key.split(" ")[1]))) {
        lost++;
        console.log(`lost: ${key}`);
      }
    const head = history.find((h) => h.isHead);
    const now = (await (await fetch(`${url}/api/bridges/${id}/bridge.json`)).json()).deck.haunch;
    if (head.revision === revision && Math.abs(now - value) > 1e-12) {
      lost++;
      console.log(`changed: ${id} ${revision} is ${now}, ${value} was acknowledged`);
    }
  }
}

for (let round = 0; round < kills; round++) {
  const app = await startApplication(data);
  data = app.data;
  await look(app.url);
  const people = Array.from({ length: PEOPLE }, (_, person) => edit(app.url, person, round));
  // The first edits of a fresh process take long: the kill comes amid later ones.
  const before = edits;
  for (let i = 0; i < 1200 && edits < before + PEOPLE; i++) await new Promise((r) => setTimeout(r, 50));
  await new Promise((r) => setTimeout(r, Math.random() * 1000));
  await app.kill();
  await Promise.all(people);
}
const app = await startApplication(data);
await look(app.url);
await app.stop();
console.log(`${kills} kills, ${edits} acknowledged edits, ${lost} lost`);
process.exitCode = lost > 0 || edits === 0 ? 1 : 0;
