// The state of the screen. Everything of the job is computed by the server; this shows it and sends what is typed.
import Alpine from "../lib/alpine/alpine-csp.js";
import { bridgeApi } from "./api.js";
import { Band } from "./band.js";
import { caughtPoint, drawCalculation, withSubscripts } from "./sheet.js";
import { analysis } from "./workspace/analysis.js";
import { drawings } from "./workspace/drawings.js";
import { entries } from "./workspace/entries.js";
import { findings } from "./workspace/findings.js";
import { history } from "./workspace/history.js";
import { outlines } from "./workspace/outlines.js";
import { runs } from "./workspace/runs.js";
import { shortcuts } from "./workspace/shortcuts.js";
import { steps } from "./workspace/steps.js";
import { tables } from "./workspace/tables.js";

// Text with real subscripts.
Alpine.directive("symbol", (element, { expression }, { evaluateLater, effect }) => {
  const read = evaluateLater(expression);
  effect(() => read((text) => withSubscripts(Object.assign(element, { textContent: "" }), text)));
});

const EMPTY = { title: "", columns: [], rows: [] };

const screen = () => ({
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
    this.places = w.places;
    document.title = `${w.name} · Pravik`;
    // An outline in hand stays on the drawing that it was begun on.
    if (!this.drawing) this.showViews(w.views);
    drawCalculation(document.getElementById("calc"), w.ledger.lines);
    this.band.draw(w.band, w.station);
    if (this.focusPicked) this.focusPath ??= w.ledger.focus;
    this.focusPicked = false;
    if (this.focusPath) this.focusField();
  },

  heard(what) {
    if (what === "edit" && this.drawer === "history") this.loadHistory();
    this.later();
  },
});

/** One object of several, whose getters stay getters. */
function together(...parts) {
  const all = {};
  for (const part of parts) Object.defineProperties(all, Object.getOwnPropertyDescriptors(part));
  return all;
}

Alpine.data("workspace", () =>
  together(
    screen(),
    steps,
    analysis,
    drawings,
    outlines,
    entries,
    tables,
    runs,
    history,
    findings,
    shortcuts,
  ),
);

Alpine.start();
