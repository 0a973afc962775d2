// Drawings and the model in space: picking, measuring, dragging.
import { dragCorners } from "../outline.js";
import { clearMarks, drawViews } from "../sheet.js";
import { held } from "./held.js";

export const drawings = {
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

  // The module for the model in space is large; it is fetched when first wanted.
  modelHost() {
    const host = document.createElement("div");
    host.className = "modelplace";
    host.style.height = `${document.getElementById("sheet").clientHeight - 35}px`;
    const url = `${this.api.base}/model.glb?revision=${this.revision}`;
    import("../model.js")
      .then(({ ModelView }) => {
        held.model ??= new ModelView((part) => this.pick(part));
        held.model.onMeasure = this.measuring ? (point) => this.measureAt(point) : null;
        host.append(held.model.host);
        return held.model.show(url, this.station, this.choice.pick);
      })
      .catch(() => (host.textContent = "The model in space cannot be shown in this browser."));
    return host;
  },

  // Measuring: two points that the drawings name, or that are met in space; the distances come from the server.
  toggleMeasure() {
    this.measuring = !this.measuring && this.canMeasure;
    this.measureFrom = null;
    this.measured = [];
    if (held.model) held.model.onMeasure = this.measuring ? (point) => this.measureAt(point) : null;
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
};
