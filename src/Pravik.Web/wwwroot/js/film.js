// A crossing in space: both planes of a truss, deck, vehicles and ground, moved from moment to moment as the server worked them out.
import * as THREE from "../lib/three/three.module.js";
import { OrbitControls } from "../lib/three/controls/OrbitControls.js";
import { surfaceAt } from "./workspace/drive.js";

const INK = "#17242B";
const TENSION = ["#D6E7E2", "#0F7B6C"];
const COMPRESSION = ["#DDD8E9", "#5B4B8A"];
const FAILS = ["#F3DADD", "#A3243B"];
const FALLING = "#B9B4A6";
/** Half the width of the strip of ground (m), and the height of a driver's eyes over the road. */
const ASIDE = 14;
const EYE = 2.1;
/** Worked with for each bar in turn. */
const BAR = new THREE.Object3D();
const COLOUR = new THREE.Color();
const [PALE, FULL] = [new THREE.Color(COMPRESSION[0]), new THREE.Color(TENSION[1])];
/** A picture that takes longer (ms) is drawn coarser as it moves. */
const SLOW = 30;

/** A texture of stripes across a bar, so that compression and failure are told by more than hue. */
function stripes(pale, full) {
  const canvas = Object.assign(document.createElement("canvas"), { width: 32, height: 8 });
  const c = canvas.getContext("2d");
  c.fillStyle = pale;
  c.fillRect(0, 0, 32, 8);
  c.fillStyle = full;
  c.fillRect(0, 0, 22, 8);
  const texture = new THREE.CanvasTexture(canvas);
  texture.wrapS = texture.wrapT = THREE.RepeatWrapping;
  texture.repeat.set(7, 1);
  texture.colorSpace = THREE.SRGBColorSpace;
  return texture;
}

export class FilmScene {
  constructor(film, isDriver) {
    Object.assign(this, { film, isDriver });
    this.canvas = document.createElement("canvas");
    this.canvas.tabIndex = 0;
    this.canvas.setAttribute(
      "aria-label",
      isDriver
        ? "From the driver's seat"
        : "In space: drag to turn, with the right button to move, wheel to come nearer",
    );
    this.renderer = new THREE.WebGLRenderer({ canvas: this.canvas, antialias: true });
    this.renderer.setPixelRatio(Math.min(2, window.devicePixelRatio));
    this.scene = new THREE.Scene();
    this.scene.background = new THREE.Color("#FFFEFB");
    this.scene.add(new THREE.HemisphereLight("#ffffff", "#8d8674", 1.9));
    const sun = new THREE.DirectionalLight("#fff6e4", 1.4);
    sun.position.set(-60, 120, 80);
    this.scene.add(sun);
    this.camera = new THREE.PerspectiveCamera(isDriver ? 62 : 40, 1, 0.1, 3000);
    const [opening, road] = film.site;
    if (!isDriver) {
      this.controls = new OrbitControls(this.camera, this.canvas);
      this.controls.target.set(opening / 2, road, 0);
      this.camera.position.set(opening * 0.15, road + opening * 0.4, opening * 1.05);
      this.controls.addEventListener("change", () => this.render());
      this.controls.update();
    }
    this.build();
  }

  box(colour, texture = null) {
    const material = new THREE.MeshLambertMaterial({ color: colour, map: texture });
    const mesh = new THREE.Mesh(new THREE.BoxGeometry(1, 1, 1), material);
    this.scene.add(mesh);
    return mesh;
  }

  /** Up to so many boxes alike but for place and colour, drawn at once. */
  boxes(count, map) {
    const material = new THREE.MeshLambertMaterial({ map });
    const mesh = new THREE.InstancedMesh(new THREE.BoxGeometry(1, 1, 1), material, count);
    mesh.frustumCulled = false;
    this.scene.add(mesh);
    return mesh;
  }

  build() {
    const { film } = this;
    const [, road, , width, distance, headroom, lanes] = film.site;
    const bars = (map = null) => this.boxes(2 * film.bars.length, map);
    this.bars = { plain: bars(), pressed: bars(stripes(...COMPRESSION)), fails: bars(stripes(...FAILS)) };
    this.slabs = film.deck.slice(1).map(() => this.box("#D5D1C5"));
    this.beams = film.deck.map(() => this.box("#8B9394"));
    // Struts across over the road, where they fit.
    this.over = film.joints.map(([, z], j) => (z >= road + headroom - 1e-6 ? j : -1)).filter((j) => j >= 0);
    this.struts = this.over.map(() => this.box("#8B9394"));
    this.lorries = Array.from({ length: lanes }, () => this.box("#8A7DB0"));
    this.wheels = Array.from({ length: lanes }, () => film.axles.map(() => this.box(INK)));
    for (const lorry of this.lorries) lorry.visible = !this.isDriver;
    this.across = distance / 2;
    this.width = width;
    const shape = new THREE.Shape();
    const foot = Math.min(...film.ground.map((p) => p[1])) - 3;
    shape.moveTo(-400, foot);
    shape.lineTo(-400, film.ground[0][1]);
    for (const [x, z] of film.ground) shape.lineTo(x, z);
    shape.lineTo(film.site[0] + 400, film.ground.at(-1)[1]);
    shape.lineTo(film.site[0] + 400, foot);
    const ground = new THREE.Mesh(
      new THREE.ExtrudeGeometry(shape, { depth: 2 * ASIDE, bevelEnabled: false }),
      new THREE.MeshLambertMaterial({ color: "#DAD2BC", flatShading: true }),
    );
    ground.position.z = -ASIDE;
    this.scene.add(ground);
    for (const [from, to] of [
      [-400, 0],
      [film.site[0], film.site[0] + 400],
    ]) {
      const way = this.box("#C2BCAC");
      way.scale.set(to - from, 0.1, width);
      way.position.set((from + to) / 2, film.site[2] - 0.03, 0);
    }
  }

  /** Lays a box from one place to another (m), across at a distance from the middle. */
  lay(mesh, a, b, across, depth, width) {
    const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
    mesh.position.set((a[0] + b[0]) / 2, (a[1] + b[1]) / 2, across);
    mesh.rotation.z = Math.atan2(dy, dx);
    mesh.scale.set(Math.max(0.01, Math.hypot(dx, dy)), depth, width);
  }

  /** Shows a moment: joints, ratios, the vehicle's place. */
  update(now) {
    const { film } = this;
    for (const kind of Object.values(this.bars)) kind.count = 0;
    film.bars.forEach(([i, j, depth], b) => {
      const { kind, colour } = this.paint(now.ratios[b], now.failing.has(b), now.isFalling);
      for (const side of [1, -1]) {
        this.lay(BAR, now.joints[i], now.joints[j], side * this.across, depth, depth);
        BAR.updateMatrix();
        kind.setMatrixAt(kind.count, BAR.matrix);
        kind.setColorAt(kind.count, colour);
        kind.count += 1;
      }
    });
    for (const kind of Object.values(this.bars)) {
      kind.instanceMatrix.needsUpdate = true;
      if (kind.instanceColor) kind.instanceColor.needsUpdate = true;
    }
    const level = (x) => surfaceAt(film, now, x);
    const surface = film.site[2] - film.site[1];
    this.slabs.forEach((mesh, k) => {
      const [a, b] = [film.deck[k], film.deck[k + 1]].map((j) => now.joints[j]);
      this.lay(mesh, [a[0], a[1] + surface / 2], [b[0], b[1] + surface / 2], 0, surface, this.width);
    });
    this.beams.forEach((mesh, k) => {
      const [x, z] = now.joints[film.deck[k]];
      mesh.position.set(x, z - 0.15, 0);
      mesh.scale.set(0.25, 0.3, 2 * this.across);
    });
    this.struts.forEach((mesh, k) => {
      mesh.position.set(...now.joints[this.over[k]], 0);
      mesh.scale.set(0.12, 0.12, 2 * this.across);
    });
    this.drive(now, level);
    this.render();
  }

  /** Of which kind a bar is, and its colour: the more it bears the fuller. */
  paint(signed, fails, isFalling) {
    const ratio = Math.abs(signed);
    if (isFalling) return { kind: this.bars.plain, colour: COLOUR.set(FALLING) };
    if (fails || ratio > 1) return { kind: this.bars.fails, colour: COLOUR.set("#ffffff") };
    if (signed < 0) return { kind: this.bars.pressed, colour: COLOUR.set("#ffffff").lerp(PALE, 1 - ratio) };
    return { kind: this.bars.plain, colour: COLOUR.set(TENSION[0]).lerp(FULL, ratio) };
  }

  drive(now, level) {
    const { film } = this;
    const [, , , , , , lanes, lane] = film.site;
    const sign = film.isAhead ? -1 : 1;
    const front = now.front ?? (film.isAhead ? -6 : film.site[0] + 6);
    const axles = film.axles.map((d) => front + sign * d);
    const [first, last] = [Math.min(...axles) - 0.9, Math.max(...axles) + 0.9];
    this.lorries.forEach((lorry, l) => {
      const across = (l - (lanes - 1) / 2) * lane;
      this.lay(lorry, [first, level(first) + 1.6], [last, level(last) + 1.6], across, 2.1, 2.3);
      axles.forEach((x, a) => {
        const wheel = this.wheels[l][a];
        wheel.visible = !this.isDriver;
        wheel.position.set(x, level(x) + 0.45, across);
        wheel.scale.set(0.9, 0.9, 2.2);
      });
    });
    if (!this.isDriver) return;
    const across = ((film.isAhead ? 1 : -1) * (lanes - 1) * lane) / 2;
    this.camera.position.set(front, level(front) + EYE, across);
    this.camera.lookAt(front - sign * 30, level(front - sign * 12) + EYE - 0.6, across);
  }

  /** As fine as the screen at rest; coarser while it plays, where pictures take long. */
  refine(isPlaying, took = 0) {
    const most = Math.min(2, window.devicePixelRatio);
    const ratio = !isPlaying ? most : took > SLOW ? Math.max(0.4, 0.8 * this.renderer.getPixelRatio()) : null;
    if (ratio === null || ratio === this.renderer.getPixelRatio()) return;
    this.renderer.setPixelRatio(ratio);
    if (!isPlaying) this.render();
  }

  fit(place) {
    const [width, height] = [place.clientWidth, place.clientHeight];
    this.renderer.setSize(width, height, false);
    this.camera.aspect = width / Math.max(1, height);
    this.camera.updateProjectionMatrix();
  }

  render() {
    this.renderer.render(this.scene, this.camera);
  }

  end() {
    this.controls?.dispose();
    this.renderer.dispose();
    this.canvas.remove();
  }
}
