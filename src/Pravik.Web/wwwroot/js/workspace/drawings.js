// Drawings and the model in space: what is dragged and drawn on them.
import { OutlineDrawing, gridPoint } from "../outline.js";
import { Zoom } from "./zoom.js";

/** Steps to which an axis is moved (m): the least that is seen as one. */
const STEPS = [0.01, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5];
const SEEN = 6;

export class Drawings {
  constructor(work) {
    this.work = work;
    this.outline = null;
    this.space = null;
    this.zoom = new Zoom(work);
    this.isHeld = false;
    work.root.addEventListener("pointerdown", (event) => {
      const corner = event.target.closest('#views [data-part*="/corners/"]');
      const axis = event.target.closest(
        '#views[data-step="axes"] figure[data-stations] [data-part^="/parts/axes/"]',
      );
      if (corner && !this.isDrawing) this.dragCorner(event, corner);
      else if (axis) this.dragAxis(event, axis);
    });
  }

  get isDrawing() {
    return this.outline !== null;
  }

  /** What only a browser can draw. */
  attach(keys) {
    if (keys.length === 0 || keys.includes("views")) {
      this.mountSpace();
      this.zoom.attach();
    }
    const ledger = document.getElementById("ledger");
    if (this.work.page.focusPicked && ledger.dataset.focus) this.work.page.focus ??= ledger.dataset.focus;
    this.work.page.focusPicked = false;
  }

  // The module for the model in space is large; it is fetched when first wanted.
  async mountSpace() {
    const place = document.querySelector(".drawing.inspace");
    if (!place) return;
    place.style.height = `${document.getElementById("sheet").clientHeight - 35}px`;
    try {
      const { ModelView } = await import("../model.js");
      this.space ??= new ModelView((part) => this.work.pick(part));
      if (this.space.host.parentElement !== place) place.replaceChildren(this.space.host);
      await this.space.show(place.dataset.model, this.work.page.station, this.work.choices.get("pick"));
    } catch {
      place.textContent = "The model in space cannot be shown in this browser.";
    }
  }

  measureInSpace(taken) {
    if (this.space) this.space.onMeasure = taken;
  }

  /** Fits what is shown: the model in space from its first side, drawings whole and from where they begin. */
  fit() {
    if (document.querySelector(".drawing.inspace")) this.space?.look(0);
    else if (!this.zoom.fit()) {
      document.getElementById("views").scrollTo(0, 0);
      document.getElementById("sheet").scrollTo(0, 0);
    }
  }

  /** An axis is shown where it would be while it is dragged, on steps that can be seen, with Alt to 10 mm; it is entered when let go. */
  dragAxis(down, part) {
    const figure = part.closest("figure");
    const map = JSON.parse(figure.dataset.stations);
    const axis = Number(part.dataset.part.split("/")[3]);
    const from = this.work.page.axes[axis - 1];
    const pixels = figure.querySelector(".drawing > svg").getScreenCTM().a;
    const metresPerPixel = 1 / pixels / map.scale;
    const { page, saved, entries } = this.work;
    let text = null;
    const move = (event) => {
      if (Math.abs(event.clientX - down.clientX) <= 2 && !text) return;
      const step = event.altKey ? STEPS[0] : (STEPS.find((s) => s / metresPerPixel >= SEEN) ?? STEPS.at(-1));
      const to = from + (event.clientX - down.clientX) * metresPerPixel;
      text = `${(Math.round(to / step) * step).toFixed(3)} m`;
      this.isHeld = true;
      saved.tries(`axis ${axis} at ${text}, not yet entered`);
      page.trial = { entry: `/axes/stations/${axis}`, text };
      page.refresh();
    };
    const end = () => {
      window.removeEventListener("pointermove", move);
      window.removeEventListener("pointerup", up);
      window.removeEventListener("keydown", cancel, true);
      this.isHeld = false;
      page.trial = null;
      saved.tries("");
    };
    const up = () => {
      end();
      if (text) entries.edit((revision) => this.work.api.enter(revision, `/axes/stations/${axis}`, text));
    };
    const cancel = (event) => {
      if (event.key !== "Escape") return;
      end();
      page.refresh();
    };
    window.addEventListener("pointermove", move);
    window.addEventListener("pointerup", up);
    window.addEventListener("keydown", cancel, true);
    down.preventDefault();
  }

  dragCorner(down, corner) {
    const svg = corner.closest("svg");
    const plane = JSON.parse(corner.closest("figure").dataset.plane);
    const circle = corner.matches("circle") ? corner : corner.querySelector("circle");
    let to = null;
    this.isHeld = true;
    const move = (event) => {
      to = gridPoint(svg, plane, event);
      circle.setAttribute("cx", to.at.x);
      circle.setAttribute("cy", to.at.y);
    };
    const up = () => {
      window.removeEventListener("pointermove", move);
      window.removeEventListener("pointerup", up);
      this.isHeld = false;
      if (!to) return this.work.page.refresh();
      const path = corner.dataset.part;
      const operations = [
        { op: "replace", path: `${path}/x`, value: to.x },
        { op: "replace", path: `${path}/y`, value: to.y },
      ];
      return this.work.entries.edit((revision) => this.work.api.patch(revision, operations, "Corner moved"));
    };
    window.addEventListener("pointermove", move);
    window.addEventListener("pointerup", up);
    down.preventDefault();
    down.stopPropagation();
  }

  toggleDraw(isVoid) {
    if (this.isDrawing) return this.stopDrawing();
    const figure = document.querySelector("figure[data-plane]");
    this.plane = JSON.parse(figure.dataset.plane);
    const words = document.getElementById("drawwords");
    words.textContent =
      "Click the corners one after the other; the first again, or Enter, closes the outline. Backspace takes the last back.";
    const inUnit = (m) =>
      `${Number((m * this.plane.unit).toFixed(this.plane.symbol === "mm" ? 0 : 2))} ${this.plane.symbol}`;
    const told = (count, at) => {
      if (at) words.textContent = `Corner ${count + 1}: across ${inUnit(at.x)}, up ${inUnit(at.y)}`;
    };
    const button = document.querySelector(`[data-do="${isVoid ? "void" : "outline"}"]`);
    button.classList.add("on");
    this.outline = new OutlineDrawing(figure, this.plane, told, (corners) => this.drawn(corners, isVoid));
    return null;
  }

  closeOutline() {
    this.outline?.close();
    return this.isDrawing;
  }

  outlineBack() {
    if (!this.isDrawing) return false;
    this.outline.back();
    return true;
  }

  stopDrawing() {
    if (!this.isDrawing) return;
    this.outline.cancel();
    this.outline = null;
    document
      .querySelectorAll('[data-do="outline"], [data-do="void"]')
      .forEach((b) => b.classList.remove("on"));
    const words = document.getElementById("drawwords");
    if (words) words.textContent = "";
  }

  drawn(corners, isVoid) {
    const { work, plane } = this;
    this.stopDrawing();
    if (corners.length < 3) return work.notice.tell("An outline has at least three corners.");
    const { path, newName, newPath } = plane;
    work.choices.set({ pick: path ?? newPath });
    const value = { corners, isVoid };
    const [operation, label] = path
      ? [{ op: "add", path: `${path}/outlines/-`, value }, isVoid ? "Void drawn" : "Outline drawn"]
      : [
          { op: "add", path: "/sections/-", value: { name: newName, family: "own", outlines: [value] } },
          `Section “${newName}” drawn`,
        ];
    return work.entries.edit((revision) => work.api.patch(revision, [operation], label));
  }
}
