// Outlines of sections drawn with the mouse: corners set on a grid, corners dragged. The drawing says how it lies (view.plane).

const NS = "http://www.w3.org/2000/svg";

const onDrawing = (svg, event) =>
  new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM().inverse());

/** The point of the section (m) nearest to a pointer, on the grid, and where it lies on the drawing. */
export function gridPoint(svg, plane, event) {
  const at = onDrawing(svg, event);
  const snap = (v) => Number((Math.round(v / plane.grid) * plane.grid).toFixed(6));
  const [x, y] = [snap((at.x - plane.x0) / plane.scale), snap((plane.y0 - at.y) / plane.scale)];
  return { x, y, at: { x: plane.x0 + plane.scale * x, y: plane.y0 - plane.scale * y } };
}

/** A drawing in hand: begins on a figure, told each change, ended by close() or cancel(). */
export class OutlineDrawing {
  constructor(figure, plane, onChange, onDone) {
    this.svg = figure.querySelector("svg");
    [this.plane, this.onChange, this.onDone] = [plane, onChange, onDone];
    this.corners = [];
    this.line = document.createElementNS(NS, "polyline");
    this.line.setAttribute("class", "drawn");
    this.svg.append(this.line);
    this.svg.classList.add("draws");
    this.click = (event) => this.add(gridPoint(this.svg, this.plane, event), event);
    this.move = (event) => this.show(gridPoint(this.svg, this.plane, event));
    this.svg.addEventListener("click", this.click, true);
    this.svg.addEventListener("pointermove", this.move);
  }
  add(point, event) {
    event?.stopPropagation();
    const first = this.corners[0];
    const last = this.corners.at(-1);
    if (first && this.corners.length > 2 && point.x === first.x && point.y === first.y) return this.close();
    if (last && point.x === last.x && point.y === last.y) return;
    this.corners.push(point);
    this.show(point);
  }
  back() {
    this.corners.pop();
    this.show(this.corners.at(-1));
  }
  show(next) {
    const points = next ? [...this.corners, next] : this.corners;
    this.line.setAttribute("points", points.map((p) => `${p.at.x},${p.at.y}`).join(" "));
    this.onChange(this.corners.length, next);
  }
  close() {
    const corners = this.corners.map(({ x, y }) => ({ x, y }));
    this.cancel();
    this.onDone(corners);
  }
  cancel() {
    this.svg.removeEventListener("click", this.click, true);
    this.svg.removeEventListener("pointermove", this.move);
    this.svg.classList.remove("draws");
    this.line.remove();
  }
}
