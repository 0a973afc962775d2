// Measuring: two points that the drawings name, or that are met in space; the distances come from the server.
import { caughtPoint, clearMarks } from "../sheet.js";

export class Measure {
  constructor(work) {
    this.work = work;
    this.from = null;
    this.shown = null;
  }

  get isOn() {
    return this.shown?.isOn ?? false;
  }

  /** What stands over the sheet while something is measured. */
  panel() {
    const owner = this;
    return {
      isOn: false,
      isSecond: false,
      measured: [],
      name: "",
      init() {
        owner.shown = this;
      },
      get words() {
        if (this.isSecond) return `From ${this.name}: pick the second point.`;
        return this.measured.length > 0 ? "Pick again to measure anew." : "Pick the first point.";
      },
    };
  }

  toggle() {
    const button = document.querySelector('[data-do="measure"]');
    this.shown.isOn = !this.shown.isOn && Boolean(button);
    this.shown.measured = [];
    this.shown.isSecond = false;
    this.from = null;
    button?.classList.toggle("on", this.shown.isOn);
    button?.setAttribute("aria-pressed", this.shown.isOn);
    this.work.drawings.measureInSpace(this.shown.isOn ? (point) => this.at(point) : null);
    clearMarks(document.getElementById("views"));
  }

  /** Takes a click on a drawing while something is measured. */
  take(event) {
    if (!this.isOn || !event.target.closest("#views")) return false;
    const point = caughtPoint(event, !this.from);
    if (point) this.at(point);
    return true;
  }

  async at(point) {
    const { shown } = this;
    if (!this.from) {
      this.from = point;
      [shown.isSecond, shown.name, shown.measured] = [true, point.name, []];
      return;
    }
    const answer = await this.work.api.measure(this.from.world, point.world);
    this.from = null;
    shown.isSecond = false;
    if (answer.ok) shown.measured = answer.data;
  }
}
