// Flat drawings seen closer: Ctrl and wheel (or two fingers) about the pointer, + and − about the middle; Shift and drag moves, f shows
// all.

const STEP = 1.25;
const MOST = 40;

const viewOf = (element) => element?.closest?.("#views figure[data-view]:has(.drawing > svg)");
const toMicrons = (v) => Number(v.toFixed(3));

export class Zoom {
  constructor(work) {
    // By drawing: what part of its paper is seen, as shares of width and height, so that it holds when the drawing is made anew.
    this.windows = new Map();
    this.last = null;
    const { root } = work;
    root.addEventListener("wheel", (event) => this.wheel(event), { passive: false });
    root.addEventListener("pointerdown", (event) => this.drag(event), true);
    root.addEventListener("pointerover", (event) => {
      this.last = viewOf(event.target)?.dataset.view ?? this.last;
    });
  }

  /** Puts the windows back on drawings that were made anew. */
  attach() {
    for (const [view, part] of this.windows) {
      const svg = document.querySelector(`#views figure[data-view="${view}"] .drawing > svg`);
      if (svg) show(svg, part);
    }
  }

  /** Shows all of every drawing; whether any was closer. */
  fit() {
    const any = this.windows.size > 0;
    for (const view of this.windows.keys()) this.set(view, { x: 0, y: 0, size: 1 });
    this.windows.clear();
    return any;
  }

  /** Closer (by > 0) or further, about the middle of the drawing pointed at last. */
  by(by) {
    const view =
      viewOf(document.querySelector(`figure[data-view="${this.last}"] svg`)) ?? viewOf(firstDrawing());
    if (view) this.about(view, STEP ** by, 0.5, 0.5);
  }

  wheel(event) {
    const view = viewOf(event.target);
    if (!view || !(event.ctrlKey || event.metaKey)) return;
    event.preventDefault();
    const box = view.querySelector("svg").getBoundingClientRect();
    const at = [(event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height];
    this.about(view, Math.exp(-event.deltaY / 400), ...at);
  }

  about(view, factor, u, v) {
    const now = this.windows.get(view.dataset.view) ?? { x: 0, y: 0, size: 1 };
    const size = Math.min(1, Math.max(1 / MOST, now.size / factor));
    this.set(view.dataset.view, {
      x: now.x + u * (now.size - size),
      y: now.y + v * (now.size - size),
      size,
    });
  }

  drag(down) {
    const view = viewOf(down.target);
    const from = this.windows.get(view?.dataset.view);
    if (!from || !(down.shiftKey || down.button === 1)) return;
    down.preventDefault();
    down.stopPropagation();
    const box = view.querySelector("svg").getBoundingClientRect();
    const move = (event) =>
      this.set(view.dataset.view, {
        x: from.x - ((event.clientX - down.clientX) / box.width) * from.size,
        y: from.y - ((event.clientY - down.clientY) / box.height) * from.size,
        size: from.size,
      });
    const up = () => {
      window.removeEventListener("pointermove", move);
      window.removeEventListener("pointerup", up);
    };
    window.addEventListener("pointermove", move);
    window.addEventListener("pointerup", up);
  }

  set(name, { x, y, size }) {
    const within = (v) => Math.min(1 - size, Math.max(0, v));
    const part = { x: within(x), y: within(y), size };
    if (size < 1) this.windows.set(name, part);
    else this.windows.delete(name);
    const svg = document.querySelector(`#views figure[data-view="${name}"] .drawing > svg`);
    if (svg) show(svg, part);
  }
}

const firstDrawing = () => document.querySelector("#views .drawing > svg");

function show(svg, { x, y, size }) {
  svg.dataset.whole ??= svg.getAttribute("viewBox");
  // The paper keeps its place on the screen, also where its proportions are those of its viewBox only.
  svg.style.aspectRatio ||= `${svg.clientWidth} / ${svg.clientHeight}`;
  const [x0, y0, width, height] = svg.dataset.whole.split(/[ ,]+/).map(Number);
  const box = [x0 + x * width, y0 + y * height, size * width, size * height];
  svg.setAttribute("viewBox", box.map(toMicrons).join(" "));
  if (size === 1) svg.style.aspectRatio = "";
  // The scale beside the title is that of the whole.
  const note = svg.closest("figure").querySelector("figcaption span");
  if (size < 1) note.dataset.closer = `${(1 / size).toFixed(1)}`;
  else delete note.dataset.closer;
}
