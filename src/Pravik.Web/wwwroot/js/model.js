// The model in space: a glTF scene made by the server, shown with three.js. Nothing is drawn unless something changes.
import * as THREE from "../lib/three/three.module.js";
import { OrbitControls } from "../lib/three/controls/OrbitControls.js";
import { GLTFLoader } from "../lib/three/loaders/GLTFLoader.js";

const EYE = 1.4;
const SPEED = 16;
// How far apart the layers of an opened view lie (m), and what lies in each, from below.
const APART = 2;
const LAYERS = [
  ["ground", "piles", "foundations"],
  ["abutments", "piers", "crossheads", "wing walls"],
  ["plinths"],
  ["bearings"],
  ["girders", "diaphragms", "frames", "stiffeners", "strands", "bars", "tendons"],
  ["haunches"],
  ["slab", "thickenings", "approach slabs"],
  ["surfacing", "footways", "edge beams"],
  ["parapets"],
];
const DIRECTIONS = [
  ["Plan", (ahead) => ({ from: new THREE.Vector3(0, 1, 0), up: new THREE.Vector3(ahead.z, 0, -ahead.x) })],
  ["From left", (ahead) => ({ from: new THREE.Vector3(ahead.z, 0.12, -ahead.x) })],
  ["From right", (ahead) => ({ from: new THREE.Vector3(-ahead.z, 0.12, ahead.x) })],
];
const BACK = 26;

export class ModelView {
  constructor(onPick) {
    Object.assign(this, { onPick, hidden: new Set(), cutting: false, loaded: "", station: 0 });
    this.host = document.createElement("div");
    this.host.className = "model";
    this.bar = document.createElement("div");
    this.bar.className = "modelbar tabs";
    this.canvas = document.createElement("canvas");
    this.canvas.tabIndex = 0;
    this.canvas.setAttribute(
      "aria-label",
      "The bridge in space: drag to turn, with the right button to move, wheel to come nearer",
    );
    this.host.append(this.bar, this.canvas);
    this.renderer = new THREE.WebGLRenderer({
      canvas: this.canvas,
      antialias: true,
    });
    this.renderer.setPixelRatio(Math.min(2, window.devicePixelRatio));
    this.renderer.localClippingEnabled = true;
    this.scene = new THREE.Scene();
    this.scene.background = new THREE.Color("#FFFEFB");
    this.scene.add(new THREE.HemisphereLight("#ffffff", "#8d8674", 1.7));
    const sun = new THREE.DirectionalLight("#fff6e4", 1.6);
    sun.position.set(-60, 120, 80);
    this.scene.add(sun);
    this.camera = new THREE.PerspectiveCamera(40, 1, 0.1, 5000);
    this.controls = new OrbitControls(this.camera, this.canvas);
    this.controls.addEventListener("change", () => this.draw());
    this.plane = new THREE.Plane();
    this.listen();
    this.tools();
  }

  listen() {
    let at = null;
    this.canvas.addEventListener("pointerdown", (e) => (at = [e.clientX, e.clientY]));
    this.canvas.addEventListener("pointerup", (e) => {
      if (at && Math.hypot(e.clientX - at[0], e.clientY - at[1]) < 4) this.pickAt(e);
    });
    new ResizeObserver(() => this.resize()).observe(this.host);
  }

  tools() {
    const button = (words, work, title) => {
      const b = Object.assign(document.createElement("button"), {
        type: "button",
        textContent: words,
        title,
      });
      b.addEventListener("click", () => work(b));
      this.bar.append(b);
      return b;
    };
    button("Fit", () => this.look(0), "Show all (f)");
    for (const [words, direction] of DIRECTIONS)
      button(words, () => this.look(direction), `Standard direction: ${words.toLowerCase()}`);
    button("Ahead", () => this.lookAhead(), "Look ahead from behind the station cursor");
    this.driveButton = button("Drive", () => this.drive(), "Drive along the road");
    button(
      "Cut",
      (b) => {
        this.cutting = !this.cutting;
        b.classList.toggle("on", this.cutting);
        b.setAttribute("aria-pressed", this.cutting);
        this.cut();
      },
      "Cut at the station cursor and look ahead",
    );
    button(
      "Apart",
      (b) => {
        this.apart = !this.apart;
        b.classList.toggle("on", this.apart);
        b.setAttribute("aria-pressed", this.apart);
        this.mark();
        this.look(0);
      },
      "Lift the parts off one another",
    );
    this.kinds = document.createElement("span");
    this.kinds.className = "kinds";
    this.bar.append(this.kinds);
  }

  /** Loads the scene where the address differs from the one shown. The camera stays. */
  async show(url, station, picked) {
    this.station = station;
    this.picked = picked;
    if (url !== this.loaded) {
      this.loaded = url;
      const first = !this.model;
      const gltf = await new GLTFLoader().loadAsync(url);
      if (url !== this.loaded) return;
      if (this.model) this.scene.remove(this.model);
      this.model = gltf.scene;
      this.path = gltf.asset.extras.road;
      this.origin = gltf.asset.extras.origin;
      const edges = [];
      this.model.traverse((o) => {
        if (!o.isMesh) return;
        o.material = o.material.clone();
        o.material.flatShading = true;
        o.userData = { ...o.parent.userData, ...o.userData };
        if (o.userData.kind !== "ground") edges.push(o);
      });
      // Edges in ink, as on the drawings.
      for (const o of edges)
        o.add(
          new THREE.LineSegments(
            new THREE.EdgesGeometry(o.geometry, 20),
            new THREE.LineBasicMaterial({ color: "#17242B" }),
          ),
        );
      this.scene.add(this.model);
      this.listKinds();
      this.resize();
      if (first) this.look(0);
    }
    this.mark();
    this.cut();
  }

  listKinds() {
    const kinds = new Set();
    this.model.traverse((o) => o.isMesh && kinds.add(o.userData.kind));
    this.kinds.replaceChildren(
      ...[...kinds].map((kind) => {
        const label = document.createElement("label");
        const box = Object.assign(document.createElement("input"), {
          type: "checkbox",
          checked: !this.hidden.has(kind),
        });
        box.addEventListener("change", () => {
          if (box.checked) this.hidden.delete(kind);
          else this.hidden.add(kind);
          this.mark();
        });
        label.append(box, kind);
        return label;
      }),
    );
  }

  mark() {
    this.model?.traverse((o) => {
      if (!o.isMesh) return;
      o.visible = !this.hidden.has(o.userData.kind);
      o.position.y = this.apart
        ? APART *
          Math.max(
            0,
            LAYERS.findIndex((l) => l.includes(o.userData.kind)),
          )
        : 0;
      o.material.emissive?.set(o.userData.part === this.picked ? "#0F7B6C" : "#000000");
    });
    this.draw();
  }

  /** Place and direction of the road at a station, between the points that came with the scene. */
  roadAt(station) {
    const path = this.path;
    const i = Math.max(
      0,
      Math.min(
        path.length - 2,
        path.findLastIndex((p) => p[0] <= station),
      ),
    );
    const [a, b] = [path[i], path[i + 1]];
    const t = (station - a[0]) / (b[0] - a[0]);
    const mix = (k) => a[k] + t * (b[k] - a[k]);
    const azimuth = mix(4);
    return {
      at: new THREE.Vector3(mix(1), mix(2), mix(3)),
      ahead: new THREE.Vector3(Math.sin(azimuth), 0, -Math.cos(azimuth)),
    };
  }

  cut() {
    if (!this.model) return;
    const { at, ahead } = this.roadAt(this.station);
    this.plane.setFromNormalAndCoplanarPoint(ahead, at);
    this.model.traverse((o) => {
      if (!o.isMesh) return;
      const planes = this.cutting && o.userData.kind !== "ground" ? [this.plane] : [];
      for (const m of [o.material, ...o.children.map((c) => c.material)]) m.clippingPlanes = planes;
      o.material.side = this.cutting || o.userData.kind === "ground" ? THREE.DoubleSide : THREE.FrontSide;
    });
    this.draw();
  }

  look(direction) {
    if (!this.model) return;
    const box = new THREE.Box3();
    this.model.traverse((o) => o.isMesh && o.userData.kind !== "ground" && box.expandByObject(o));
    const sphere = box.getBoundingSphere(new THREE.Sphere());
    const { ahead } = this.roadAt((this.path[0][0] + this.path.at(-1)[0]) / 2);
    const { from, up } = direction
      ? direction(ahead)
      : { from: new THREE.Vector3(-0.45 * ahead.x - ahead.z, 0.55, -0.45 * ahead.z + ahead.x) };
    const half = Math.tan(((this.camera.fov / 2) * Math.PI) / 180);
    const distance = (sphere.radius / half) * Math.max(0.75, 0.62 / Math.min(1, this.camera.aspect));
    this.camera.up.copy(up ?? new THREE.Vector3(0, 1, 0));
    this.camera.position.copy(sphere.center).addScaledVector(from.normalize(), distance);
    this.controls.target.copy(sphere.center);
    this.controls.update();
    this.draw();
  }

  lookAhead() {
    if (!this.model) return;
    const { at, ahead } = this.roadAt(this.station);
    this.camera.up.set(0, 1, 0);
    this.camera.position
      .copy(at)
      .addScaledVector(ahead, -BACK)
      .add(new THREE.Vector3(0, 2.5, 0));
    this.controls.target.copy(at);
    this.controls.update();
    this.draw();
  }

  drive() {
    this.driving = !this.driving;
    this.driveButton.textContent = this.driving ? "Stop" : "Drive";
    this.camera.up.set(0, 1, 0);
    let station = this.path[0][0];
    let last = performance.now();
    const step = (now) => {
      if (!this.driving) return;
      station += (SPEED * Math.min(100, now - last)) / 1000;
      last = now;
      const here = this.roadAt(station);
      this.camera.position.copy(here.at).add(new THREE.Vector3(0, EYE, 0));
      this.controls.target.copy(this.roadAt(station + 15).at).add(new THREE.Vector3(0, EYE * 0.8, 0));
      this.controls.update();
      if (station > this.path.at(-1)[0] - 16) this.drive();
      else requestAnimationFrame(step);
    };
    if (this.driving) requestAnimationFrame(step);
  }

  pickAt(event) {
    const box = this.canvas.getBoundingClientRect();
    const ray = new THREE.Raycaster();
    const place = new THREE.Vector2(
      ((event.clientX - box.left) / box.width) * 2 - 1,
      1 - ((event.clientY - box.top) / box.height) * 2,
    );
    ray.setFromCamera(place, this.camera);
    const hit = ray
      .intersectObject(this.model, true)
      .find(
        (h) =>
          h.object.isMesh && h.object.visible && (!this.cutting || this.plane.distanceToPoint(h.point) >= 0),
      );
    if (hit && this.onMeasure) {
      // A corner of the triangle that was met is caught where it is near.
      const corners = [hit.face.a, hit.face.b, hit.face.c].map((i) =>
        hit.object.localToWorld(
          new THREE.Vector3().fromBufferAttribute(hit.object.geometry.attributes.position, i),
        ),
      );
      const near = corners.find((c) => c.distanceTo(hit.point) < 0.02 * hit.distance);
      const p = near ?? hit.point;
      const [x, y, z] = this.origin;
      p.y -= hit.object.position.y;
      this.onMeasure({ name: near ? "corner" : "face", world: [p.x + x, y - p.z, p.y + z].join(",") });
    } else if (hit && hit.object.userData.kind !== "ground") this.onPick(hit.object.userData.part);
  }

  resize() {
    const { clientWidth: width, clientHeight: height } = this.canvas;
    if (!width || !height) return;
    this.renderer.setSize(width, height, false);
    this.camera.aspect = width / height;
    this.camera.updateProjectionMatrix();
    this.draw();
  }

  draw() {
    if (this.waiting) return;
    this.waiting = true;
    requestAnimationFrame(() => {
      this.waiting = false;
      this.renderer.render(this.scene, this.camera);
    });
  }
}
