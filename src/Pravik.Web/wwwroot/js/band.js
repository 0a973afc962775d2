// The band at the foot: a long section with the station cursor, moved by pointer and keys.

const MILLIMETRES_PER_PIXEL = 25.4 / 96;

export class Band {
  constructor(host, view, cursor, onStation, onPick) {
    Object.assign(this, { host, view, cursor, onStation, onPick, map: null, station: 0 });
    let dragging = false;
    let moved = false;
    host.addEventListener("pointerdown", (event) => {
      dragging = true;
      moved = false;
      host.setPointerCapture(event.pointerId);
      this.take(event);
    });
    host.addEventListener("pointermove", (event) => {
      if (!dragging) return;
      moved = true;
      this.take(event);
    });
    host.addEventListener("pointerup", (event) => {
      dragging = false;
      if (moved) return;
      const under = document.elementsFromPoint(event.clientX, event.clientY);
      const part = under.map((e) => e.closest("[data-part]")).find(Boolean);
      if (part) this.onPick(part.dataset.part);
    });
  }

  draw(part, station) {
    this.view.innerHTML = part.svg;
    this.map = part.stations;
    this.place(station);
  }

  place(station) {
    this.station = station;
    if (!this.map) return;
    const x = (this.map.x0 + this.map.scale * (station - this.map.station0)) / MILLIMETRES_PER_PIXEL;
    this.cursor.style.transform = `translateX(${x}px)`;
    this.cursor.classList.toggle("flip", x > this.host.clientWidth - 110);
  }

  take(event) {
    if (!this.map) return;
    const x = (event.clientX - this.host.getBoundingClientRect().left) * MILLIMETRES_PER_PIXEL;
    const station = this.map.station0 + (x - this.map.x0) / this.map.scale;
    this.place(station);
    this.onStation(station);
  }
}
