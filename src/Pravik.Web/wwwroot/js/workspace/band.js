// The band at the foot: a long section with the station cursor, moved by pointer and keys.
import { openResult } from "./actions.js";

const MILLIMETRES_PER_PIXEL = 25.4 / 96;

export class Band {
  constructor(work) {
    this.work = work;
    this.host = document.getElementById("band");
    this.cursor = document.getElementById("cursor");
    this.station = work.page.station;
    this.isDragged = false;
    let moved = false;
    this.host.addEventListener("pointerdown", (event) => {
      this.isDragged = true;
      moved = false;
      this.host.setPointerCapture(event.pointerId);
      this.take(event);
    });
    this.host.addEventListener("pointermove", (event) => {
      if (!this.isDragged) return;
      moved = true;
      this.take(event);
    });
    this.host.addEventListener("pointerup", (event) => {
      this.isDragged = false;
      if (moved) return;
      const under = document.elementsFromPoint(event.clientX, event.clientY);
      const part = under.map((e) => e.closest("#band [data-part]")).find(Boolean);
      if (part) openResult(work, part.dataset.part);
    });
    this.host.addEventListener("keydown", (event) => {
      const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
      if (!by) return;
      event.preventDefault();
      this.moveTo(this.station + (by * (work.page.axes.at(-1) - work.page.axes[0])) / 200);
    });
  }

  get map() {
    const text = document.getElementById("bandview").dataset.stations;
    return text ? JSON.parse(text) : null;
  }

  /** Sets the station; the cursor goes there at once, the drawings follow. */
  moveTo(station) {
    this.place(station);
    this.work.choose({ station: Math.round(station * 1000) / 1000 });
  }

  /** Puts the cursor where the server says, unless it has been moved on since. */
  place(station, text) {
    const chosen = this.work.choices.get("station");
    const isBehind = text !== undefined && (this.isDragged || (this.work.page.wanted && chosen));
    if (isBehind) return;
    this.station = station;
    const { map } = this;
    if (!map) return;
    const x = (map.x0 + map.scale * (station - map.station0)) / MILLIMETRES_PER_PIXEL;
    this.cursor.style.transform = `translateX(${x}px)`;
    this.cursor.classList.toggle("flip", x > this.host.clientWidth - 110);
    if (text === undefined) return;
    this.cursor.firstElementChild.textContent = text;
    this.host.setAttribute("aria-valuenow", station);
    this.host.setAttribute("aria-valuetext", text);
  }

  take(event) {
    const { map } = this;
    if (!map) return;
    const x = (event.clientX - this.host.getBoundingClientRect().left) * MILLIMETRES_PER_PIXEL;
    this.moveTo(map.station0 + (x - map.x0) / map.scale);
  }
}
