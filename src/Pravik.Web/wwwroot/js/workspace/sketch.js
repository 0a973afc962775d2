// A truss drawn with the pointer: joints pressed, bars dragged from joint to joint, joints moved, bars picked by an area. What is
// drawn is said to the server, which makes the edit; the drawing tells how it lies (view.sketch).

const NS = "http://www.w3.org/2000/svg";
/** How near a joint or a guide catches the pointer, and how far a press may wander (px). */
const CATCH = 9;
const STILL = 3;

const near = (v) => Math.round(v * 1e4) / 1e4;

export class Sketch {
  constructor(work) {
    this.work = work;
    this.isHeld = false;
    work.root.addEventListener("pointerdown", (event) => this.down(event));
    work.root.addEventListener("click", (event) => this.swallow(event), true);
    document.addEventListener("keydown", (event) => this.key(event));
  }

  down(event) {
    const figure = event.target.closest?.("#views figure[data-sketch]");
    if (!figure?.dataset.sketch || event.button !== 0 || this.work.measure.isOn) return;
    const svg = figure.querySelector(".drawing > svg");
    if (figure.dataset.view !== "sketch" || !svg.contains(event.target)) return;
    this.svg = svg;
    this.map = JSON.parse(figure.dataset.sketch);
    this.from = event;
    this.path = [];
    this.layer = document.createElementNS(NS, "g");
    this.layer.setAttribute("class", "drawn");
    svg.append(this.layer);
    const joint = this.jointAt(event);
    if (this.map.draws) this.begin(event, "draw");
    else if (joint?.isFree) {
      this.joint = joint;
      this.begin(event, "move");
    } else if (!event.target.closest("[data-part]")) this.begin(event, "window");
    else this.layer.remove();
  }

  begin(event, kind) {
    this.kind = kind;
    this.moved = false;
    if (kind === "draw") this.path = [this.place(event)];
    const move = (e) => this.move(e);
    const end = (e, isDone) => {
      window.removeEventListener("pointermove", move);
      window.removeEventListener("pointerup", up);
      window.removeEventListener("keydown", cancel, true);
      this.isHeld = false;
      this.layer.remove();
      if (isDone) this.done(e);
    };
    const up = (e) => end(e, true);
    const cancel = (e) => e.key === "Escape" && end(e, false);
    window.addEventListener("pointermove", move);
    window.addEventListener("pointerup", up);
    window.addEventListener("keydown", cancel, true);
    event.preventDefault();
  }

  /** The place (mm) of a pointer on the drawing. */
  paper(event) {
    return new DOMPoint(event.clientX, event.clientY).matrixTransform(this.svg.getScreenCTM().inverse());
  }

  get metresPerPixel() {
    return 1 / this.svg.getScreenCTM().a / this.map.scale;
  }

  raw(event) {
    const at = this.paper(event);
    return { x: (at.x - this.map.x0) / this.map.scale, z: (this.map.y0 - at.y) / this.map.scale };
  }

  jointAt(event) {
    const at = this.raw(event);
    const reach = CATCH * this.metresPerPixel;
    const far = (j) => Math.hypot(j.x - at.x, j.z - at.z);
    return this.map.joints
      .filter((j) => far(j) < reach)
      .sort((a, b) => far(a) - far(b))
      .at(0);
  }

  /** Where a pointer stands: a joint, else on guides through joints and the middle, else on the grid. */
  place(event, except = null) {
    const joint = this.jointAt(event);
    if (joint && joint.id !== except) return { x: joint.x, z: joint.z, id: joint.id, guides: [] };
    const at = this.raw(event);
    const reach = CATCH * this.metresPerPixel;
    const others = this.map.joints.filter((j) => j.id !== except);
    const guides = [];
    const line = (value, candidates, side) => {
      const found = candidates
        .filter((c) => Math.abs(c - value) < reach)
        .sort((a, b) => Math.abs(a - value) - Math.abs(b - value))
        .at(0);
      if (found === undefined || event.altKey) return this.snapped(value, event);
      guides.push([side, found]);
      return found;
    };
    const xs = others.map((j) => j.x);
    const equal = this.path.length > 0 ? [2 * this.path.at(-1).x - (this.path.at(-2)?.x ?? NaN)] : [];
    const mirrored = xs.map((x) => 2 * this.map.middle - x);
    const x = line(at.x, [...xs, this.map.middle, ...mirrored, ...equal].filter(Number.isFinite), "x");
    const z = line(
      at.z,
      others.map((j) => j.z),
      "z",
    );
    return { x: near(x), z: near(z), guides };
  }

  snapped(value, event) {
    const { grid } = this.map;
    return grid > 0 && !event.altKey ? Math.round(value / grid) * grid : value;
  }

  move(event) {
    const still = Math.hypot(event.clientX - this.from.clientX, event.clientY - this.from.clientY) <= STILL;
    if (still && !this.moved) return;
    this.moved = true;
    this.isHeld = true;
    this.layer.replaceChildren();
    if (this.kind === "window") {
      const [a, b] = [this.paper(this.from), this.paper(event)];
      this.shape("rect", {
        x: Math.min(a.x, b.x),
        y: Math.min(a.y, b.y),
        width: Math.abs(a.x - b.x),
        height: Math.abs(a.y - b.y),
      });
      return;
    }
    const at = this.place(event, this.kind === "move" ? this.joint.id : null);
    if (this.kind === "draw") {
      // A stroke that passes over a joint turns there.
      const last = this.path.at(-1);
      if (at.id && at.id !== last.id && !this.path.some((p) => p.id === at.id)) this.path.push(at);
      this.line([...this.path, at]);
      if (this.map.mirrors)
        this.line([...this.path, at].map((p) => ({ x: 2 * this.map.middle - p.x, z: p.z })));
    } else this.dot(at);
    for (const [side, value] of at.guides) this.guide(side, value);
    this.tell(at);
  }

  tell(at) {
    const inUnit = (m) => (m * this.map.unit).toFixed(2);
    this.work.saved.tries(`along ${inUnit(at.x)}, level ${inUnit(at.z)} ${this.map.symbol}`);
  }

  done(event) {
    const { work } = this;
    work.saved.tries("");
    this.quiet = this.moved || this.kind === "draw";
    if (this.kind === "window") {
      if (this.moved) this.window(event);
      else if (!event.shiftKey) work.choose({ pick: null });
      return;
    }
    if (this.kind === "move") {
      if (!this.moved) return;
      const at = this.place(event, this.joint.id);
      this.send({ kind: "move", x: at.x, z: at.z, joints: [this.joint.id] });
      return;
    }
    const at = this.place(event);
    const last = this.path.at(-1);
    const isFar = Math.hypot(at.x - last.x, at.z - last.z) > 0.01;
    const path = isFar && this.moved ? [...this.path, at] : this.path;
    if (path.length > 1) this.send({ kind: "bars", ends: path.flatMap((p) => [p.x, p.z]) });
    else if (!path[0].id) this.send({ kind: "joint", x: path[0].x, z: path[0].z });
  }

  /** Bars whose middle lies in an area are picked; with Shift beside those that are. */
  window(event) {
    const [a, b] = [this.raw(this.from), this.raw(event)];
    const within = (v, p, q) => v >= Math.min(p, q) && v <= Math.max(p, q);
    const found = [...this.svg.querySelectorAll('[data-part^="/bars/"]')]
      .map((e) => [e.dataset.part, e.getBBox()])
      .filter(([, box]) => {
        const x = (box.x + box.width / 2 - this.map.x0) / this.map.scale;
        const z = (this.map.y0 - box.y - box.height / 2) / this.map.scale;
        return within(x, a.x, b.x) && within(z, a.z, b.z);
      })
      .map(([part]) => part);
    const kept = event.shiftKey ? (this.work.choices.get("pick") ?? "").split("+").filter(Boolean) : [];
    this.work.choose({ pick: [...new Set([...kept, ...found])].join("+") || null });
  }

  send(what) {
    const { work } = this;
    work.choices.set({ pick: null });
    return work.entries.edit((revision) => work.api.draw({ revision, mirrors: this.map.mirrors, ...what }));
  }

  /** A click that ended a drag picks nothing. */
  swallow(event) {
    if (!this.quiet) return;
    this.quiet = false;
    if (!event.target.closest?.("#views figure[data-sketch]")) return;
    event.stopPropagation();
    event.preventDefault();
  }

  key(event) {
    const { work } = this;
    if (event.key !== "Delete" || event.target.closest("input, select, textarea")) return;
    const figure = document.querySelector('#views figure[data-sketch]:not([data-sketch=""])');
    const parts = (work.choices.get("pick") ?? "").split("+").filter(Boolean);
    if (!figure || parts.length === 0) return;
    this.map = JSON.parse(figure.dataset.sketch);
    const joints = parts.filter((p) => p.startsWith("/parts/joints/")).map((p) => p.split("/")[3]);
    const bars = parts.filter((p) => p.startsWith("/bars/")).map((p) => Number(p.split("/")[2]));
    if (joints.length + bars.length === 0) return;
    event.preventDefault();
    this.send({ kind: "delete", joints, bars });
  }

  shape(name, values) {
    const element = document.createElementNS(NS, name);
    for (const [key, value] of Object.entries(values)) element.setAttribute(key, value);
    this.layer.append(element);
    return element;
  }

  onPaper({ x, z }) {
    return [this.map.x0 + this.map.scale * x, this.map.y0 - this.map.scale * z];
  }

  line(points) {
    this.shape("polyline", { points: points.map((p) => this.onPaper(p).join(",")).join(" ") });
  }

  dot(at) {
    const [cx, cy] = this.onPaper(at);
    this.shape("circle", { cx, cy, r: 1.4 });
  }

  guide(side, value) {
    const box = this.svg.viewBox.baseVal;
    const [x, y] = this.onPaper(side === "x" ? { x: value, z: 0 } : { x: 0, z: value });
    const ends =
      side === "x"
        ? { x1: x, x2: x, y1: box.y, y2: box.y + box.height }
        : { x1: box.x, x2: box.x + box.width, y1: y, y2: y };
    this.shape("line", { ...ends, class: "guide" });
  }
}
