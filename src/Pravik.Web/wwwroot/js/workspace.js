// The state of the screen. Everything of the job is computed by the server; this shows it and sends what is typed.
import { copyRows } from "./copy.js";
import Alpine from "../lib/alpine/alpine-csp.js";
import { bridgeApi } from "./api.js";
import { Band } from "./band.js";
import { listenToKeys } from "./keys.js";
import { OutlineDrawing, dragCorners } from "./outline.js";
import { caughtPoint, clearMarks, drawCalculation, drawViews, withSubscripts } from "./sheet.js";

// Text with real subscripts.
Alpine.directive("symbol", (element, { expression }, { evaluateLater, effect }) => {
  const read = evaluateLater(expression);
  effect(() => read((text) => withSubscripts(Object.assign(element, { textContent: "" }), text)));
});

// Kept out of the reactive state: three.js compares its objects by identity.
let model = null;
let outline = null;

const EMPTY = { title: "", columns: [], rows: [] };

// Choices of how a model's results are shown; they stay when the case changes.
const MODEL_CHOICES = [
  "show",
  "quantity",
  "girders",
  "arrange",
  "fixed",
  "zoom",
  "table",
  "with",
  "drawn",
  "look",
  "names",
  "motion",
  "load",
  "stage",
];

Alpine.data("workspace", () => ({
  project: "",
  step: "axes",
  revision: 0,
  name: "",
  saved: "",
  units: "",
  canUndo: false,
  canRedo: false,
  station: 0,
  stationText: "",
  steps: [],
  findings: [],
  layouts: [],
  controls: [],
  groups: [],
  ledgerTitle: "",
  ledgerSubtitle: "",
  hasLines: false,
  printUrl: "",
  table: EMPTY,
  hasTable: false,
  sort: null,
  filterText: "",
  playing: false,
  shown: {},
  choice: null,
  copyWords: "Copy",
  run: { status: "waiting", fraction: 0, words: "" },
  drafts: {},
  reasons: {},
  drawer: "",
  history: [],
  found: [],
  findText: "",
  notice: "",
  isGoodNews: false,
  pointName: "",
  measuring: false,
  measured: [],
  measureFrom: null,
  canMeasure: false,
  canDraw: false,
  plane: null,
  drawing: null,
  drawWords: "",

  init() {
    this.project = this.$root.dataset.project;
    this.step = this.$root.dataset.step;
    this.api = bridgeApi(this.project);
    this.choice = { layout: {}, pick: null, station: null, girder: 1 };
    // What a model's results are shown as; missing ones have the server's defaults.
    this.shown = {};
    this.asked = 0;
    this.name = this.$root.querySelector(".bridge").textContent;
    const byId = (id) => document.getElementById(id);
    this.band = new Band(
      byId("band"),
      byId("bandview"),
      byId("cursor"),
      (station) => this.setStation(station),
      (part) => this.openResult(part),
    );
    this.listenKeys();
    this.api.listen((what) => this.heard(what));
    byId("views").addEventListener(
      "click",
      (event) => {
        if (!this.measuring) return;
        const point = caughtPoint(event, this.views, !this.measureFrom);
        if (point) this.measureAt(point);
      },
      true,
    );
    window.addEventListener("popstate", () => this.fromUrl());
    const resized = new ResizeObserver(() => this.later());
    resized.observe(byId("sheet"));
    resized.observe(byId("sheet").querySelector(".sheetbar"));
    this.fromUrl();
  },

  fromUrl() {
    const parts = location.pathname.split("/");
    this.step = parts[3] || "axes";
    const query = new URLSearchParams(location.search);
    this.choice.pick = query.get("pick");
    if (query.get("layout")) this.choice.layout[this.step] = query.get("layout");
    this.load();
  },

  later() {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => this.load(), 40);
  },

  /** What the screen wants to see. */
  query() {
    const sheet = document.getElementById("sheet");
    return {
      step: this.step,
      layout: this.choice.layout[this.step],
      station: this.choice.station,
      pick: this.choice.pick,
      girder: this.choice.girder,
      ...this.shown,
      width: sheet.clientWidth,
      height: sheet.clientHeight - 34 - (this.hasBar ? sheet.querySelector(".sheetbar").offsetHeight : 0),
      bandWidth: document.getElementById("band").clientWidth,
    };
  },

  async load() {
    // What is being dragged stays on the screen; it is loaded anew when it is let go.
    if (this.dragFrom !== undefined) return;
    const ask = ++this.asked;
    const answer = await this.api.workspace(this.query());
    if (ask !== this.asked) return;
    if (!answer.ok) {
      this.notice =
        answer.status === 404
          ? "This bridge is not there any more."
          : "The program cannot be reached; what you typed is still here.";
      return;
    }
    this.show(answer.data);
  },

  show(w) {
    this.revision = w.revision;
    this.name = w.name;
    this.saved = `edit ${w.revision}, saved`;
    this.units = w.units;
    this.canUndo = w.canUndo;
    this.canRedo = w.canRedo;
    this.station = w.station;
    this.stationText = w.stationText;
    this.axes = w.axisStations;
    this.steps = w.steps;
    this.findings = w.findings;
    this.layouts = w.layouts;
    this.controls = w.controls;
    this.groups = w.ledger.groups;
    this.ledgerTitle = w.ledger.title;
    this.ledgerSubtitle = w.ledger.subtitle;
    this.hasLines = w.ledger.lines.length > 0;
    this.printUrl = w.ledger.printAt ?? "";
    this.table = w.table ?? EMPTY;
    this.hasTable = Boolean(w.table);
    this.run = w.run;
    document.title = `${w.name} · Pravik`;
    // An outline in hand stays on the drawing that it was begun on.
    if (!this.drawing) this.showViews(w.views);
    drawCalculation(document.getElementById("calc"), w.ledger.lines);
    this.band.draw(w.band, w.station);
    if (this.focusPicked) this.focusPath ??= w.ledger.focus;
    this.focusPicked = false;
    if (this.focusPath) this.focusField();
  },

  showViews(views) {
    this.views = views;
    this.canMeasure = views.some((v) => v.snaps.length > 0 || v.id === "model");
    this.plane = views.find((v) => v.plane)?.plane ?? null;
    this.canDraw = Boolean(this.plane);
    drawViews(
      document.getElementById("views"),
      views,
      (part, event) => this.pick(part, event),
      () => this.modelHost(),
      this.step === "axes" ? (axis, by, done) => this.dragAxis(axis, by, done) : null,
    );
    if (this.plane) dragCorners(this.shapeFigure(), this.plane, (path, to) => this.moveCorner(path, to));
  },

  heard(what) {
    if (what === "edit" && this.drawer === "history") this.loadHistory();
    this.later();
  },

  // Steps, views, station

  stepUrl(id) {
    return `/bridges/${this.project}/${id}`;
  },
  get bridgeUrl() {
    return `${this.api?.base ?? ""}/bridge.json`;
  },
  get roadFileUrl() {
    return `/bridges/${this.project}/road-file`;
  },
  get setOutUrl() {
    return `/bridges/${this.project}/set-out`;
  },
  get roadXmlUrl() {
    return `${this.api?.base ?? ""}/road.xml`;
  },
  quantitiesUrl(format) {
    return `${this.api?.base ?? ""}/quantities.${format}`;
  },
  sheetUrl(format) {
    return `${this.api?.base ?? ""}/general-arrangement.${format}`;
  },
  stepClass(s) {
    return `${s.state} ${s.id === this.step ? "on" : ""}`;
  },
  go(id) {
    if (this.drawing) this.stopDrawing();
    if (id !== this.step && id !== "checks") this.choice.pick = null;
    if (this.playing) this.play();
    this.filterText = "";
    this.step = id;
    this.sort = null;
    history.pushState(null, "", this.stepUrl(id));
    return this.load();
  },
  neighbourStep(by) {
    const at = this.steps.findIndex((s) => s.id === this.step);
    const next = this.steps[at + by];
    if (next) this.go(next.id);
  },
  layout(id) {
    if (this.drawing) this.stopDrawing();
    this.choice.layout[this.step] = id;
    this.load();
  },
  control(name, value) {
    if (MODEL_CHOICES.includes(name)) this.shown[name] = value;
    else this.choice[name] = value;
    if (name === "stage") this.choice.pick = null;
    this.load();
  },
  // Sliders are logarithmic: each step to the right draws larger by the same factor.
  sliderOf: (c) => Math.log2(Number(c.value) || 1),
  slide(name, value) {
    this.shown[name] = Math.round(2 ** Number(value) * 100) / 100;
    this.later();
  },
  isSelect: (c) => !c.isSlider && !c.isText,
  groupsOf(c) {
    const groups = new Map();
    for (const o of c.choices.filter((o) => o.group))
      groups.set(o.group, [...(groups.get(o.group) ?? []), o]);
    return [...groups].map(([name, choices]) => ({ name, choices }));
  },
  loneOf: (c) => c.choices.filter((o) => !o.group),

  // The layout that is shown of the analysis; null in other steps.
  get analysed() {
    return this.step === "analysis" ? (this.layouts.find((l) => l.isActive)?.id ?? null) : null;
  },

  // The stages one after the other, from the first where the last is shown.
  get canPlay() {
    return this.analysed === "stages";
  },
  get playWords() {
    return this.playing ? "Stop" : "Play";
  },
  play() {
    this.playing = !this.playing;
    clearInterval(this.player);
    if (!this.playing) return;
    this.nextStage(true);
    this.player = setInterval(() => this.nextStage(false), 1400);
  },
  nextStage(first) {
    const control = this.controls.find((c) => c.parameter === "stage");
    const at = control?.choices.findIndex((o) => o.value === control.value) ?? -1;
    const last = !control || at + 1 >= control.choices.length;
    if (!this.canPlay || (last && !first)) return this.play();
    this.control("stage", control.choices[last ? 0 : at + 1].value);
  },

  // What is being typed stays while an answer comes in.
  keepTyped(input, value) {
    if (input !== document.activeElement) input.value = value;
  },

  // Many controls have a line of their own.
  get hasBar() {
    return ["results", "deflected", "frame", "stages"].includes(this.analysed);
  },
  get barControls() {
    return this.hasBar ? this.controls : [];
  },
  get headControls() {
    return this.hasBar ? [] : this.controls;
  },

  // Files of what is shown.
  get hasModel() {
    return this.analysed !== null && this.controls.length > 0;
  },
  get hasReport() {
    return this.analysed === "models" && this.hasTable;
  },
  get reportUrl() {
    return `/bridges/${this.project}/models`;
  },
  get hasModelTable() {
    return this.hasModel && this.analysed === "results" && this.hasTable;
  },
  modelTableUrl(format) {
    return this.hasModelTable
      ? `${this.api.base}/model-table.${format}?${new URLSearchParams(this.shown)}`
      : "";
  },
  get modelFileUrl() {
    return `${this.api?.base ?? ""}/model.json`;
  },
  setStation(station) {
    this.choice.station = station;
    this.later();
  },
  nudge(by) {
    const length = this.axes.at(-1) - this.axes[0];
    this.setStation(this.station + (by * length) / 200);
  },
  axis(by) {
    const tiny = 1e-6;
    const next =
      by > 0
        ? this.axes.find((s) => s > this.station + tiny)
        : this.axes.findLast((s) => s < this.station - tiny);
    if (next !== undefined) this.setStation(next);
  },
  // With Shift or Ctrl a girder is picked together with those that are.
  pick(part, event) {
    if (!part || this.measuring) return;
    if (this.drawing) this.stopDrawing();
    if (event && (event.shiftKey || event.ctrlKey || event.metaKey) && this.step === "girders") {
      const girders = (this.choice.pick ?? "").split("+").filter((p) => p.startsWith("/parts/girders/"));
      if (part.startsWith("/parts/girders/")) {
        const others = girders.filter((p) => p !== part);
        part = (others.length < girders.length ? others : [...girders, part]).join("+") || null;
        this.choice.pick = part;
        return this.load();
      }
    }
    if (part.startsWith("/parts/results/")) return this.openResult(part);
    if (part.startsWith("/parts/girders/") && this.step !== "girders") {
      this.choice.pick = part;
      this.step = "girders";
      history.pushState(null, "", this.stepUrl("girders"));
    } else if (["/deck/", "/parapets/", "/parts/units/"].some((start) => part.startsWith(start))) {
      this.choice.pick = part;
      this.focusPicked = true;
      if (this.step !== "deck") {
        this.step = "deck";
        history.pushState(null, "", this.stepUrl("deck"));
      }
    } else this.choice.pick = part;
    this.load();
  },
  openResult(part) {
    const row = this.table.rows.find((r) => r.pick?.startsWith(part));
    const at = row?.sort?.[2];
    if (this.step !== "analysis") {
      this.choice.pick = part;
      if (this.step !== "checks") {
        this.step = "checks";
        history.pushState(null, "", this.stepUrl("checks"));
      }
    }
    if (at !== undefined && at !== null) this.choice.station = at;
    this.load();
  },

  // The module for the model in space is large; it is fetched when first wanted.
  modelHost() {
    const host = document.createElement("div");
    host.className = "modelplace";
    host.style.height = `${document.getElementById("sheet").clientHeight - 35}px`;
    const url = `${this.api.base}/model.glb?revision=${this.revision}`;
    import("./model.js")
      .then(({ ModelView }) => {
        model ??= new ModelView((part) => this.pick(part));
        model.onMeasure = this.measuring ? (point) => this.measureAt(point) : null;
        host.append(model.host);
        return model.show(url, this.station, this.choice.pick);
      })
      .catch(() => (host.textContent = "The model in space cannot be shown in this browser."));
    return host;
  },

  // Outlines of sections, drawn corner by corner.
  shapeFigure: () => document.querySelector('figure[data-view="shape"]'),
  inUnit(metres) {
    const value = metres * this.plane.unit;
    return `${Number(value.toFixed(this.plane.symbol === "mm" ? 0 : 2))} ${this.plane.symbol}`;
  },
  toggleDraw(isVoid) {
    if (this.drawing) return this.stopDrawing();
    this.drawWords =
      "Click the corners one after the other; the first again, or Enter, closes the outline. Backspace takes the last back.";
    const told = (count, at) => {
      if (at) this.drawWords = `Corner ${count + 1}: across ${this.inUnit(at.x)}, up ${this.inUnit(at.y)}`;
    };
    this.drawing = isVoid ? "void" : "outline";
    outline = new OutlineDrawing(this.shapeFigure(), this.plane, told, (corners) =>
      this.drawn(corners, isVoid),
    );
  },
  stopDrawing() {
    outline?.cancel();
    outline = null;
    this.drawing = null;
    this.drawWords = "";
  },
  drawn(corners, isVoid) {
    this.stopDrawing();
    if (corners.length < 3) return (this.notice = "An outline has at least three corners.");
    const { path, newName, newPath } = this.plane;
    this.choice.pick = path ?? newPath;
    const value = { corners, isVoid };
    const [operation, label] = path
      ? [{ op: "add", path: `${path}/outlines/-`, value }, isVoid ? "Void drawn" : "Outline drawn"]
      : [
          { op: "add", path: "/sections/-", value: { name: newName, family: "own", outlines: [value] } },
          `Section “${newName}” drawn`,
        ];
    return this.afterEdit(this.api.patch(this.revision, [operation], label));
  },
  moveCorner(path, to) {
    const operations = [
      { op: "replace", path: `${path}/x`, value: to.x },
      { op: "replace", path: `${path}/y`, value: to.y },
    ];
    return this.afterEdit(this.api.patch(this.revision, operations, "Corner moved"));
  },

  // Measuring: two points that the drawings name, or that are met in space; the distances come from the server.
  toggleMeasure() {
    this.measuring = !this.measuring && this.canMeasure;
    this.measureFrom = null;
    this.measured = [];
    if (model) model.onMeasure = this.measuring ? (point) => this.measureAt(point) : null;
    clearMarks(document.getElementById("views"));
  },
  get measureWords() {
    if (this.measureFrom) return `From ${this.measureFrom.name}: pick the second point.`;
    return this.measured.length > 0 ? "Pick again to measure anew." : "Pick the first point.";
  },
  async measureAt(point) {
    if (!this.measureFrom) {
      this.measureFrom = point;
      this.measured = [];
      return;
    }
    const answer = await this.api.measure(this.measureFrom.world, point.world);
    this.measureFrom = null;
    if (answer.ok) this.measured = answer.data;
  },

  // An axis that is dragged is shown where it would be, to 10 mm, and entered when it is let go.
  async dragAxis(axis, by, done) {
    this.dragFrom ??= this.axes[axis - 1];
    const text = `${(Math.round((this.dragFrom + by) * 100) / 100).toFixed(3)} m`;
    const path = `/axes/stations/${axis}`;
    if (!done) {
      if (this.dragAsked) return;
      this.dragAsked = true;
      const answer = await this.api.workspace({ ...this.query(), entry: path, text });
      this.dragAsked = false;
      if (answer.ok && this.dragFrom !== undefined) {
        this.show(answer.data);
        this.saved = `axis ${axis} at ${answer.data.axisStations[axis - 1].toFixed(3)} m, not yet saved`;
      }
      return;
    }
    this.dragFrom = undefined;
    await this.afterEdit(this.api.enter(this.revision, path, text));
  },

  // Entries

  isTyped: (r) => ["quantity", "text", "spans"].includes(r.entry),
  fieldId: (r) => (r.path ? `f${r.path.replaceAll("/", "-")}` : null),
  rowClass(r) {
    return `${r.entry} ${r.isInherited ? "inherited" : ""} ${this.reasons[r.path] ? "refused" : ""}`;
  },
  textOf(r) {
    return this.drafts[r.path] ?? r.value;
  },
  reasonOf(r) {
    return this.reasons[r.path] ?? "";
  },
  reasonsIn(g) {
    return g.columns.length === 0 ? [] : g.rows.map((r) => this.reasons[r.path]).filter(Boolean);
  },
  rowsOf(g) {
    const rows = [];
    for (let i = 0; i < g.rows.length; i += g.columns.length)
      rows.push(g.rows.slice(i, i + g.columns.length));
    return rows;
  },
  draft(r, text) {
    this.drafts[r.path] = text;
  },
  drop(r, field) {
    delete this.drafts[r.path];
    delete this.reasons[r.path];
    field.value = r.value;
  },
  async commit(r, field) {
    const text = field.value;
    if (text === r.value || this.committing === r.path + text) {
      if (text === r.value) this.drop(r, field);
      return;
    }
    this.committing = r.path + text;
    const answer = await this.api.enter(this.revision, r.path, text);
    this.committing = null;
    if (answer.ok) {
      delete this.drafts[r.path];
      delete this.reasons[r.path];
      this.revision = answer.data.revision;
      await this.load();
      if (document.activeElement !== field && field.isConnected)
        field.value = this.valueAt(r.path) ?? field.value;
      return;
    }
    this.drafts[r.path] = text;
    this.reasons[r.path] = this.explain(answer, r.path);
    if (r.entry === "choice") this.load();
  },
  valueAt(path) {
    for (const g of this.groups) for (const r of g.rows) if (r.path === path) return r.value;
    return null;
  },
  explain(answer, path) {
    if (answer.status === 0) return "The program cannot be reached; the value is kept here, not saved.";
    if (answer.status === 409) {
      const c = answer.data.conflicts[0];
      this.later();
      return `Somebody else changed this meanwhile: now ${c.theirs}, yours ${c.yours}. Enter it again to replace theirs.`;
    }
    const findings = answer.data?.findings ?? [];
    const own = findings.filter((f) => f.path === path);
    return (own.length > 0 ? own : findings).map((f) => f.message).join(" ") || "This could not be taken.";
  },
  giveBack(r) {
    delete this.drafts[r.path];
    return this.afterEdit(this.api.enter(this.revision, r.path, ""));
  },
  wordsOf: (a) => a?.words ?? "",
  act(a) {
    if (a.goes) return this.go(a.goes);
    if (a.saves) return this.keep(a.saves);
    if (a.asksNeighbour) return this.addNeighbour();
    return this.afterEdit(this.api.patch(this.revision, a.patch, a.label));
  },
  /** Begins another bridge on the same road and goes there. */
  async addNeighbour() {
    const answer = await this.api.addNeighbour(`${this.name}, next on the road`);
    if (answer.ok) window.location.assign(`/bridges/${answer.data.id}/axes`);
    else this.notice = this.explain(answer, "");
  },
  isLink: (r) => r.entry === "reading" && Boolean(r.picks || r.opens),
  isReading: (r) => r.entry === "reading" && !r.picks && !r.opens,
  follow(r) {
    if (r.opens) window.location.assign(r.opens);
    else if (r.picks) this.pick(r.picks);
  },
  /** Keeps a part of the bridge in the office library. */
  async keep(path) {
    const answer = await this.api.keep(path);
    this.notice = answer.ok ? answer.data.words : this.explain(answer, "");
    this.isGoodNews = answer.ok;
  },
  async afterEdit(call) {
    const answer = await call;
    this.notice = answer.ok ? "" : this.explain(answer, "");
    this.isGoodNews = false;
    if (answer.ok) {
      this.reasons = {};
      this.drafts = {};
    }
    await this.load();
    if (this.drawer === "history") this.loadHistory();
  },
  undo() {
    if (this.canUndo) this.afterEdit(this.api.undo());
  },
  redo() {
    if (this.canRedo) this.afterEdit(this.api.redo());
  },
  goTo(revision) {
    this.afterEdit(this.api.goTo(revision));
  },

  // Tables

  get tableTitle() {
    return this.table.title;
  },
  get tableColumns() {
    return this.table.columns;
  },
  get tableRows() {
    const wanted = this.filterText.trim().toLowerCase();
    const rows = this.table.rows
      .map((r, i) => ({ ...r, key: `${r.pick ?? ""}#${i}` }))
      .filter((r) => !wanted || r.cells.some((c) => c.toLowerCase().includes(wanted)));
    if (!this.sort) return rows;
    const { column, by } = this.sort;
    const value = (r) => r.sort[column] ?? r.cells[column];
    return rows.sort((a, b) => (value(a) < value(b) ? -by : value(a) > value(b) ? by : 0));
  },
  sortBy(column) {
    const by = this.sort?.column === column ? -this.sort.by : this.tableColumns[column].isNumber ? -1 : 1;
    this.sort = { column, by };
  },
  sortState(column) {
    return this.sort?.column !== column ? "none" : this.sort.by > 0 ? "ascending" : "descending";
  },
  nextRow(event, by) {
    const row = event.target.closest("tr");
    const next = by > 0 ? row.nextElementSibling : row.previousElementSibling;
    if (next?.tagName === "TR") next.focus();
  },
  async copyTable() {
    this.copyWords = await copyRows([
      this.tableColumns.map((c) => c.name),
      ...this.tableRows.map((r) => r.cells),
    ]);
    setTimeout(() => (this.copyWords = "Copy"), 1500);
  },
  isUse(i) {
    return this.tableColumns[i]?.name === "Utilisation";
  },
  useClass: (r) => (r.use > 1 ? "f" : r.use > 0.95 ? "w" : ""),
  useBar: (r) => `width:${Math.min(100, (r.use ?? 0) * 80)}%`,

  // The line at the top

  get runStatus() {
    return this.run.isPlain ? `${this.run.status} plain` : this.run.status;
  },
  get runWords() {
    return this.run.words;
  },
  get runHelp() {
    return this.run.help;
  },
  get runBar() {
    return `width:${["running", "waiting"].includes(this.run.status) ? this.run.fraction * 100 : 0}%`;
  },
  get canStop() {
    return this.run.status === "running";
  },
  get canStart() {
    return ["stopped", "failed"].includes(this.run.status);
  },
  switchUnits() {
    const name = this.units.startsWith("m") ? "us" : "metric";
    document.cookie = `pravik-units=${name}; path=/; max-age=31536000; samesite=lax`;
    this.drafts = {};
    this.reasons = {};
    this.load();
  },
  stopRun() {
    this.api.stop();
  },
  startRun() {
    this.api.run();
  },
  get findingWords() {
    const n = this.findings.length;
    return n === 0 ? "no findings" : n === 1 ? "1 finding" : `${n} findings`;
  },
  get findingClass() {
    return this.findings.some((f) => f.severity === "error") ? "bad" : this.findings.length ? "some" : "";
  },
  toggle(name) {
    this.drawer = this.drawer === name ? "" : name;
    if (this.drawer === "history") this.loadHistory();
  },
  async loadHistory() {
    const answer = await this.api.history();
    if (answer.ok) this.history = answer.data;
  },
  async namePoint() {
    const answer = await this.api.name(this.revision, this.pointName);
    if (answer.ok) this.pointName = "";
    this.loadHistory();
  },
  compareUrl(h) {
    return `/bridges/${this.project}/compare?before=${h.revision}&after=${this.revision}`;
  },
  compareWords: (h) => `Compare edit ${h.revision} with the present one`,
  timeOf: (h) => new Date(h.at.endsWith("Z") ? h.at : `${h.at}Z`).toLocaleTimeString(),
  repairWords: (f) => f.repair?.label ?? "",
  repair(f) {
    const patch = f.repair.patch.map((o) => ({ ...o, value: JSON.parse(o.value) }));
    return this.afterEdit(this.api.patch(this.revision, patch, f.repair.label));
  },
  openFinding(f) {
    this.drawer = "";
    if (f.path.startsWith("/parts/results/")) return this.openResult(f.path);
    const step = {
      road: "road",
      ground: "road",
      axes: "axes",
      crossings: "axes",
      deck: "deck",
      parapets: "deck",
      girders: "girders",
      sections: "sections",
      materials: "girders",
      supports: "substructure",
      bearings: "substructure",
      loads: "loads",
      actions: "loads",
      model: "analysis",
    }[f.path.split("/")[1]];
    if (f.station !== null) this.choice.station = f.station;
    this.focusPath = f.path;
    return this.go(step ?? "basis");
  },

  // Finding

  async find() {
    const text = this.findText;
    const answer = text.trim() ? await this.api.find(text) : { ok: true, data: [] };
    if (answer.ok && text === this.findText) this.found = answer.data;
  },
  openFirst() {
    if (this.found.length > 0) this.openPlace(this.found[0]);
  },
  async openPlace(place) {
    this.closeFind();
    this.focusPath = place.path;
    await this.go(place.step);
    if (place.pick) this.pick(place.pick);
  },
  closeFind() {
    this.findText = "";
    this.found = [];
  },
  focusField() {
    const path = this.focusPath;
    this.focusPath = null;
    this.$nextTick(() => {
      const field = document.getElementById(`f${path.replaceAll("/", "-")}`);
      field?.focus();
      field?.scrollIntoView({ block: "center" });
    });
  },

  listenKeys() {
    const field = () => document.getElementById("find");
    listenToKeys({
      escape: () => {
        if (this.measuring) this.toggleMeasure();
        if (this.drawing) this.stopDrawing();
        this.drawer = "";
        this.closeFind();
      },
      digit: (n) => this.layouts[n - 1] && this.layout(this.layouts[n - 1].id),
      "/": () => field().focus(),
      "?": () => this.toggle("keys"),
      "!": () => this.toggle("findings"),
      h: () => this.toggle("history"),
      z: () => this.undo(),
      "Shift+z": () => this.redo(),
      "[": () => this.axis(-1),
      "]": () => this.axis(1),
      ",": () => this.nudge(-1),
      ".": () => this.nudge(1),
      m: () => this.toggleMeasure(),
      Enter: () => (outline ? outline.close() : false),
      Backspace: () => (outline ? outline.back() : false),
      f: () => model?.look(0),
      n: () => this.neighbourStep(1),
      b: () => this.neighbourStep(-1),
      p: () => this.canPlay && this.play(),
    });
  },
}));

Alpine.start();
