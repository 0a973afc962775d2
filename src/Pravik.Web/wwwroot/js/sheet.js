// Points of drawings that a click catches.

const CATCH = 16;

/** The point of a drawing nearest to a click, if one is near, marked on the drawing. */
export function caughtPoint(event, first) {
  const figure = event.target.closest("figure[data-view]");
  const svg = figure?.querySelector("svg");
  if (!svg) return null;
  const inverse = svg.getScreenCTM().inverse();
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(inverse);
  const reach = CATCH * inverse.a;
  let best = null;
  for (const snap of JSON.parse(figure.dataset.snaps)) {
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
