// The sheet: drawings as they come from the server, with parts that can be picked.

export function drawViews(host, views, onPick, model, onDrag) {
  host.replaceChildren(
    ...views.map((view) => {
      const figure = document.createElement("figure");
      figure.dataset.view = view.id;
      const caption = document.createElement("figcaption");
      const title = document.createElement("b");
      title.textContent = view.title;
      const note = document.createElement("span");
      note.textContent = view.note;
      caption.append(title, note);
      const drawing = document.createElement("div");
      drawing.className = "drawing";
      if (view.id === "model") drawing.append(model());
      else drawing.innerHTML = view.svg;
      figure.append(caption, drawing);
      if (view.stations && onDrag) dragAxes(drawing, view.stations, onDrag);
      return figure;
    }),
  );
  host.onclick = (event) => {
    const part = event.target.closest("[data-part]");
    if (part) onPick(part.dataset.part, event);
  };
}

const MILLIMETRES_PER_PIXEL = 25.4 / 96;
const CATCH = 16;

/** The point of a drawing nearest to a click, if one is near, marked on the drawing. */
export function caughtPoint(event, views, first) {
  const figure = event.target.closest("figure[data-view]");
  const view = views.find((v) => v.id === figure?.dataset.view);
  const svg = figure?.querySelector("svg");
  if (!view?.snaps.length || !svg) return null;
  const inverse = svg.getScreenCTM().inverse();
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(inverse);
  const reach = CATCH * inverse.a;
  let best = null;
  for (const snap of view.snaps) {
    const distance = Math.hypot(snap.x - at.x, snap.y - at.y);
    if (distance < reach && (!best || distance < best.distance)) best = { ...snap, distance };
  }
  if (!best) return null;
  if (first) clearMarks(figure.parentElement);
  const before = svg.querySelector(".mark:last-of-type");
  const mark = (name, attributes) => {
    const element = document.createElementNS("http://www.w3.org/2000/svg", name);
    for (const [key, value] of Object.entries({ class: "mark", ...attributes }))
      element.setAttribute(key, value);
    svg.append(element);
  };
  if (before)
    mark("line", { x1: before.getAttribute("cx"), y1: before.getAttribute("cy"), x2: best.x, y2: best.y });
  mark("circle", { cx: best.x, cy: best.y, r: 1 });
  return best;
}

export function clearMarks(host) {
  host.querySelectorAll(".mark").forEach((m) => m.remove());
}

/** Axes of a view with stations can be dragged along the road: told while it goes on, and when it ends. */
function dragAxes(drawing, map, onDrag) {
  for (const part of drawing.querySelectorAll('[data-part^="/parts/axes/"]')) {
    part.classList.add("drags");
    part.addEventListener("pointerdown", (down) => {
      const scale = drawing.clientWidth / (map.width / MILLIMETRES_PER_PIXEL) || 1;
      const axis = part.dataset.part.split("/")[3];
      let by = 0;
      const move = (event) => {
        by = ((event.clientX - down.clientX) / scale) * MILLIMETRES_PER_PIXEL;
        if (Math.abs(event.clientX - down.clientX) > 2) onDrag(axis, by / map.scale, false);
      };
      const up = () => {
        window.removeEventListener("pointermove", move);
        window.removeEventListener("pointerup", up);
        if (Math.abs(by) > 0.5) onDrag(axis, by / map.scale, true);
      };
      window.addEventListener("pointermove", move);
      window.addEventListener("pointerup", up);
      down.preventDefault();
    });
  }
}

// Symbols with subscripts: an underscore starts one.
export function withSubscripts(element, text) {
  const pattern = /_([\p{L}\p{N}.]+(?:,[\p{L}\p{N}]+)*)/gu;
  let last = 0;
  for (const match of text.matchAll(pattern)) {
    element.append(text.slice(last, match.index));
    const sub = document.createElement("sub");
    sub.textContent = match[1];
    element.append(sub);
    last = match.index + match[0].length;
  }
  element.append(text.slice(last));
  return element;
}

const make = (tag, className) => Object.assign(document.createElement(tag), { className });

export function drawCalculation(host, lines) {
  host.replaceChildren(
    ...lines.map((line) => {
      if (line.isHeading) return Object.assign(document.createElement("h3"), { textContent: line.formula });
      const row = make("div", line.isRemark ? "remark" : "line");
      if (line.isRemark) {
        row.textContent = line.formula;
        return row;
      }
      const middle = make("span", "formula");
      withSubscripts(middle, line.formula);
      if (line.numbers) middle.append(withSubscripts(make("span", "numbers"), line.numbers));
      const clause = make("span", "clause");
      clause.textContent = line.clause;
      middle.append(clause);
      const value = make("span", "num");
      value.textContent = `${line.value} ${line.unit}`.trim();
      row.append(withSubscripts(make("em", ""), line.symbol), middle, value);
      return row;
    }),
  );
}
