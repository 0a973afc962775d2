// A crossing played on its drawing: moments that the server worked out are gone through, thirty steps or more a second between two of them.

const INK = "#17242B";
const TENSION = ["#0F7B6C", "#D6E7E2"];
const COMPRESSION = ["#5B4B8A", "#DDD8E9"];
const FAILS = ["#A3243B", "#F3DADD"];
const FALLING = ["#8B9394", "#FFFEFB"];
const LOAD = "#5B4B8A";

/** Level of the road's surface: of the deck where it is now, of the road beside it. */
export function surfaceAt(film, now, x) {
  const [, road, surface] = film.site;
  const k = film.deck.findIndex((j) => film.joints[j][0] >= x);
  if (k <= 0) return surface;
  const [i, j] = [film.deck[k - 1], film.deck[k]];
  const part = (x - film.joints[i][0]) / (film.joints[j][0] - film.joints[i][0]);
  return now.joints[i][1] + part * (now.joints[j][1] - now.joints[i][1]) + surface - road;
}

/** Steps of the crossing in a second, at the usual pace. */
const PACE = 12;

export class Drive {
  constructor(work) {
    this.work = work;
    this.film = null;
    this.at = 0;
    this.frame = null;
  }

  get figure() {
    return document.querySelector(
      '#views figure[data-view="drive"], #views figure[data-view="space"], #views figure[data-view="driver"]',
    );
  }

  get isPlaying() {
    return this.frame !== null;
  }

  /** Plays from the beginning, or goes on; a second press pauses. */
  async toggle() {
    if (this.isPlaying) return this.pause();
    const film = await this.fetched();
    if (!film || !this.figure) return null;
    if (this.at >= this.last) this.at = 0;
    await this.mount();
    let before = performance.now();
    const next = (now) => {
      if (!this.figure || !(this.scene?.canvas ?? this.canvas).isConnected) return this.stop();
      const seconds = Math.min(0.1, Math.max(0, now - before) / 1000);
      this.scene?.refine(true, 1000 * seconds);
      before = now;
      const falls = this.at >= film.moments.length - 1;
      this.at = Math.min(this.last, this.at + seconds * (falls ? film.rate : PACE));
      this.draw();
      if (this.at >= this.last) return this.pause();
      this.frame = requestAnimationFrame(next);
      return null;
    };
    this.frame = requestAnimationFrame(next);
    this.button(true);
    return null;
  }

  /** One moment on or back, paused. */
  async step(by) {
    if (!(await this.fetched()) || !this.figure) return;
    this.pause();
    await this.mount();
    this.at = Math.min(this.last, Math.max(0, Math.round(this.at) + by));
    this.draw();
  }

  pause() {
    cancelAnimationFrame(this.frame);
    this.frame = null;
    this.scene?.refine(false);
    this.button(false);
  }

  /** Puts the scene into a page that shows one, at the moment that is nearest to the cursor. */
  async attach() {
    const isSpace = this.figure && this.figure.dataset.view !== "drive";
    if (!isSpace) {
      if (this.scene) this.stop();
      return;
    }
    if (this.isPlaying || !(await this.fetched()) || !this.figure) return;
    const { moments } = this.film;
    const { station } = this.work.page;
    const far = (m) => (m.front === null ? Infinity : Math.abs(m.front - station));
    this.at = moments.reduce((best, m, i) => (far(m) < far(moments[best]) ? i : best), moments.length - 1);
    await this.mount();
    this.draw();
  }

  /** Back to the drawing of the page. */
  stop() {
    this.pause();
    this.canvas?.remove();
    this.scene?.end();
    this.scene = null;
    document.getElementById("drivewords")?.remove();
    this.at = 0;
    this.film = null;
  }

  button(isOn) {
    const button = document.getElementById("play");
    if (button) button.textContent = isOn ? "Pause" : "Drive";
  }

  get last() {
    return this.film.moments.length - 1 + this.film.fall.length;
  }

  async fetched() {
    const { choices, api, page } = this.work;
    const query = new URLSearchParams();
    for (const [name, from] of [
      ["load", "load"],
      ["side", "side"],
      ["weight", "fixed"],
    ])
      if (choices.get(from)) query.set(name, choices.get(from));
    const key = `${page.revision}?${query}`;
    if (this.key === key && this.film) return this.film;
    const answer = await api.film(query);
    if (!answer.ok) {
      this.work.notice.told(answer);
      return null;
    }
    [this.key, this.film, this.at] = [key, answer.data, 0];
    return this.film;
  }

  /** A canvas over the drawing, as large; or the scene in space. */
  async mount() {
    const place = this.figure.querySelector(".drawing");
    const { view } = this.figure.dataset;
    if (view !== "drive") {
      const { FilmScene } = await import("../film.js");
      if (this.scene?.film !== this.film || this.scene.isDriver !== (view === "driver")) {
        this.scene?.end();
        this.scene = new FilmScene(this.film, view === "driver");
      }
      place.style.height = `${document.getElementById("sheet").clientHeight - place.offsetTop - 6}px`;
      if (this.scene.canvas.parentElement !== place) {
        this.canvas?.remove();
        place.replaceChildren(this.scene.canvas);
        this.say(place);
      }
      this.scene.fit(place);
      return;
    }
    const svg = place.querySelector("svg");
    this.map = JSON.parse(this.figure.dataset.sketch);
    if (!this.canvas?.isConnected) {
      this.canvas = document.createElement("canvas");
      this.canvas.className = "film";
      place.append(this.canvas);
      this.say(place);
    }
    const box = svg.getBoundingClientRect();
    const ratio = window.devicePixelRatio || 1;
    [this.canvas.width, this.canvas.height] = [box.width * ratio, box.height * ratio];
    [this.canvas.style.width, this.canvas.style.height] = [`${box.width}px`, `${box.height}px`];
    this.scale = (this.map.scale * box.width * ratio) / svg.viewBox.baseVal.width;
    const perMillimetre = (box.width * ratio) / svg.viewBox.baseVal.width;
    [this.x0, this.y0] = [this.map.x0 * perMillimetre, this.map.y0 * perMillimetre];
  }

  /** Where it is told what happens. */
  say(place) {
    document.getElementById("drivewords")?.remove();
    this.words = Object.assign(document.createElement("p"), { id: "drivewords", className: "filmwords" });
    this.words.setAttribute("role", "status");
    place.append(this.words);
  }

  times() {
    return Number(
      this.work.choices.get("motion") ?? document.querySelector('select[name="motion"]')?.value ?? 20,
    );
  }

  /** Joints, ratios and vehicle at the moment that is shown, straight between those that were worked out. */
  now() {
    const { film } = this;
    const { moments } = film;
    const i = Math.min(moments.length - 1, Math.floor(this.at));
    const j = Math.min(moments.length - 1, i + 1);
    const part = Math.min(1, this.at - i);
    const [a, b] = [moments[i], moments[j]];
    const between = (p, q) => p + (q - p) * (j > i ? part : 0);
    const times = this.times();
    const fallen = this.at - (moments.length - 1);
    const joints =
      fallen > 0
        ? this.fallen(fallen)
        : film.joints.map(([x, z], k) => [
            x + times * between(a.moves[2 * k], b.moves[2 * k]),
            z + times * between(a.moves[2 * k + 1], b.moves[2 * k + 1]),
          ]);
    const fronts = a.front ?? b.front;
    const failures = part > 0.5 ? b.failures : a.failures;
    return {
      joints,
      ratios: a.ratios.map((r, k) => between(r, b.ratios[k])),
      front: fronts === null ? null : between(a.front ?? fronts, b.front ?? fronts),
      share: between(a.share, b.share),
      failures,
      failing: new Set(film.failing.slice(0, failures)),
      isFalling: fallen > 0,
    };
  }

  /** The fall begins where the last moment was drawn, and keeps what was drawn larger. */
  fallen(frames) {
    const { film } = this;
    const k = Math.min(film.fall.length - 1, Math.max(0, Math.floor(frames)));
    const last = film.moments.at(-1);
    const more = this.times() - 1;
    return film.joints.map((_, j) => [
      film.fall[k][2 * j] + more * last.moves[2 * j],
      film.fall[k][2 * j + 1] + more * last.moves[2 * j + 1],
    ]);
  }

  draw() {
    const { film, canvas } = this;
    const now = this.now();
    if (this.scene) {
      this.scene.update(now);
      this.tell(now);
      return;
    }
    const c = canvas.getContext("2d");
    const at = ([x, z]) => [this.x0 + this.scale * x, this.y0 - this.scale * z];
    c.setTransform(1, 0, 0, 1, 0, 0);
    c.fillStyle = "#FFFEFB";
    c.fillRect(0, 0, canvas.width, canvas.height);
    this.ground(c, at);
    this.deck(c, at, now);
    if (now.front !== null) this.vehicle(c, at, now);
    const broken = now.isFalling ? new Set(film.broken) : new Set();
    film.bars.forEach(([i, j, depth], b) => {
      const ratio = now.ratios[b];
      // What bars bear as it falls is not told.
      const fails = now.isFalling ? broken.has(b) : now.failing.has(b) || Math.abs(ratio) > 1;
      this.bar(c, at(now.joints[i]), at(now.joints[j]), depth, now.isFalling ? 0 : ratio, fails);
    });
    for (const joint of now.joints) {
      const [x, y] = at(joint);
      c.beginPath();
      c.arc(x, y, 3.2, 0, 2 * Math.PI);
      c.fillStyle = INK;
      c.fill();
    }
    this.tell(now);
  }

  ground(c, at) {
    const { ground, site } = this.film;
    c.beginPath();
    c.moveTo(0, at(ground[0])[1]);
    ground.forEach((p) => c.lineTo(...at(p)));
    c.lineTo(this.canvas.width, at(ground.at(-1))[1]);
    c.lineTo(this.canvas.width, this.canvas.height);
    c.lineTo(0, this.canvas.height);
    c.closePath();
    c.fillStyle = "#ECE7DA";
    c.fill();
    const [x0, y0] = at([-1000, site[2]]);
    const [x1] = at([0, 0]);
    const [x2] = at([site[0], 0]);
    const [x3] = at([1000 + site[0], 0]);
    c.strokeStyle = INK;
    c.lineWidth = 2;
    for (const [a, b] of [
      [x0, x1],
      [x2, x3],
    ]) {
      c.beginPath();
      c.moveTo(a, y0);
      c.lineTo(b, y0);
      c.stroke();
    }
  }

  /** Plain for tension, notched for compression; the filled part is the ratio; what fails is hatched. */
  bar(c, a, b, depth, signed, fails) {
    const ratio = Math.abs(signed);
    const sound = signed < 0 ? COMPRESSION : signed > 0 ? TENSION : FALLING;
    const [full, rest] = fails ? FAILS : sound;
    const width = Math.max(4, depth * this.scale);
    const stroke = (from, to, colour, line, dashes = []) => {
      c.setLineDash(dashes);
      c.beginPath();
      c.moveTo(...from);
      c.lineTo(...to);
      c.strokeStyle = colour;
      c.lineWidth = line;
      c.stroke();
      c.setLineDash([]);
    };
    stroke(a, b, INK, width + 2);
    stroke(a, b, rest, width);
    const part = Math.min(1, ratio);
    const to = [a[0] + part * (b[0] - a[0]), a[1] + part * (b[1] - a[1])];
    if (fails) stroke(a, b, full, width, [2, 4]);
    else if (part > 0.005) stroke(a, to, full, width);
    if (signed < 0 && !fails) stroke(a, b, "#FFFEFB", width * 0.45, [2, 14]);
  }

  vehicle(c, at, now) {
    const { film } = this;
    const sign = film.isAhead ? -1 : 1;
    const axles = film.axles.map((d) => now.front + sign * d);
    const height = Math.min(2.6, 0.7 * film.site[5]);
    const [first, last] = [Math.min(...axles) - 0.9, Math.max(...axles) + 0.9];
    const corner = (x, up) => at([x, surfaceAt(film, now, x) + up]);
    c.beginPath();
    [corner(first, 0.55), corner(last, 0.55), corner(last, height), corner(first, height)].forEach((p, i) =>
      c[i ? "lineTo" : "moveTo"](...p),
    );
    c.closePath();
    c.fillStyle = "#EBE7F2";
    c.fill();
    c.strokeStyle = LOAD;
    c.lineWidth = 1.5;
    c.stroke();
    for (const axle of axles) {
      c.beginPath();
      c.arc(...corner(axle, 0.45), Math.max(3, 0.45 * this.scale), 0, 2 * Math.PI);
      c.fillStyle = LOAD;
      c.fill();
    }
  }

  deck(c, at, now) {
    const { film } = this;
    const up = film.site[2] - film.site[1];
    const joints = film.deck.map((j) => now.joints[j]);
    c.beginPath();
    joints.forEach(([x, z], k) => c[k ? "lineTo" : "moveTo"](...at([x, z + up / 2])));
    c.strokeStyle = "#B9B4A6";
    c.lineWidth = Math.max(3, up * this.scale);
    c.stroke();
  }

  tell(now) {
    const { film, work } = this;
    const where = now.front === null ? `${Math.round(100 * now.share)} % of the weight` : film.vehicle;
    const said = now.failures > 0 ? film.failures[now.failures - 1] : "";
    const words = [where, said].filter(Boolean).join(" · ");
    if (this.words.textContent !== words) this.words.textContent = words;
    if (now.front !== null && !now.isFalling) {
      const [from, to] = [work.page.axes[0], work.page.axes.at(-1)];
      work.band.place(Math.min(to, Math.max(from, now.front)));
    }
  }
}
