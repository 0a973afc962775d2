// The page and the server: one request at a time, always with the latest choices; parts that changed are taken over in place.

import { showTimes } from "../times.js";

const isField = (e) => e.matches?.("input, select, textarea");
const isTyped = (e) => e.matches("input") && e.type !== "range" && e.value !== e.defaultValue;

/** How long is waited before a server that does not answer is asked again (ms). */
const AGAIN = 2000;

export class Page {
  constructor(work, morph) {
    Object.assign(this, { work, morph });
    const { dataset } = work.root;
    this.revision = Number(dataset.revision);
    this.station = Number(dataset.station);
    this.axes = JSON.parse(dataset.axes);
    this.have = JSON.parse(dataset.have);
    this.room = dataset.room;
    this.wanted = false;
    this.trial = null;
    this.focus = null;
    this.isBroken = false;
  }

  begin() {
    const { work } = this;
    this.focus = work.choices.focus;
    this.taken([]);
    const resized = new ResizeObserver(() => {
      if (this.roomNow() !== this.room) this.refresh();
    });
    for (const id of ["sheet", "controls"]) resized.observe(document.getElementById(id));
    if (this.roomNow() !== this.room) this.refresh();
  }

  roomNow() {
    const px = (id, side) => document.getElementById(id)[side];
    // The title of the first drawing stands beside the controls where there is room, else on a line of its own.
    const caption = document.querySelector("#views figcaption");
    const line = caption && parseFloat(getComputedStyle(caption).marginTop) >= 0 ? caption.offsetHeight : 0;
    const bars = px("layouts", "offsetHeight") + px("controls", "offsetHeight");
    const height = px("sheet", "clientHeight") - bars - line;
    return `${px("sheet", "clientWidth")}x${height}x${px("band", "clientWidth")}`;
  }

  /** Asks for what changed; while one answer is awaited, the next request waits, and several become one. */
  refresh() {
    this.wanted = true;
    this.running ??= this.askUntilCurrent().finally(() => (this.running = null));
    return this.running;
  }

  async askUntilCurrent() {
    const { work } = this;
    while (this.wanted) {
      // What is being dragged stays on the screen; it is drawn anew when it is let go.
      if ((work.drawings.isHeld || work.sketch.isHeld) && !this.trial) return;
      this.wanted = false;
      const { trial } = this;
      this.room = this.roomNow();
      document.cookie = `pravik-room=${this.room}; path=/; samesite=lax`;
      const query = new URLSearchParams(work.choices.now);
      query.set("handler", "Parts");
      for (const [name, value] of Object.entries(trial ?? {})) query.set(name, value);
      const headers = { "X-Room": this.room, "X-Have": JSON.stringify(this.have) };
      const { step } = work.choices;
      const answer = await work.api.page(step, query, headers);
      if (answer.status === 404 && !trial) {
        work.notice.tell("This bridge is not there any more. What you see is what it was.");
        return;
      }
      if (answer.status === 0) {
        work.saved.lost();
        setTimeout(() => this.refresh(), AGAIN);
        return;
      }
      if (!answer.ok) {
        if (!trial)
          work.notice.tell(`This cannot be shown (code ${answer.status}). What is saved is still there.`);
        continue;
      }
      work.saved.reached();
      await work.press.released();
      // What was chosen meanwhile is asked for before this is shown.
      if (step === work.choices.step) this.takeWhole(answer.data, trial);
    }
  }

  /** Takes an answer; where that breaks off, everything is asked for once more, so that no part stays as it was. */
  takeWhole(change, trial) {
    try {
      this.take(change, trial);
      this.isBroken = false;
    } catch (problem) {
      console.error(problem);
      this.have = {};
      this.wanted = !this.isBroken;
      this.isBroken = true;
    }
  }

  take(change, trial) {
    const { work } = this;
    const tried = Boolean(trial);
    if (!tried) this.revision = change.revision;
    // A cursor that stood on the bridge does not stay outside when the bridge moves away from it.
    const on = (axes) => change.station >= axes[0] && change.station <= axes.at(-1);
    if (!tried && work.choices.get("station") && on(this.axes) && !on(change.axes)) {
      work.choices.set({ station: null });
      this.wanted = true;
    }
    this.station = change.station;
    this.axes = change.axes;
    document.title = `${change.title} · Pravik`;
    // Under the pointer of whoever looks at a preview nothing moves but the drawings.
    const seen = trial?.preview ? ["views", "table", "bandview"] : Object.keys(change.parts);
    const keys = seen.filter((key) => change.parts[key] && !(key === "views" && work.drawings.isDrawing));
    for (const key of keys) {
      const part = change.parts[key];
      this.morph(document.getElementById(key), part.html, {
        key: (e) => e.getAttribute("key") || e.id || null,
        updating: (from, to, childrenOnly, skip, skipChildren) =>
          this.updating(from, to, change, skip, skipChildren),
        updated: (from, to) => this.updated(from, to),
      });
      this.have[key] = part.hash;
    }
    work.band.place(change.station, change.stationText);
    work.saved.show();
    this.taken(keys);
  }

  /** After parts were taken over: what only a browser can add to them. */
  taken(keys) {
    const { work } = this;
    work.entries.mark();
    work.drawings.attach(keys);
    work.drive.attach();
    work.band.place(work.band.station);
    showTimes();
    if (this.focus) this.focusOn(this.focus);
    // An answer that was asked for before the panel was opened has not got it yet.
    const drawer = document.getElementById("drawer");
    if (!this.opened || drawer.dataset.open !== work.choices.get("drawer")) return;
    this.opened = false;
    drawer.focus();
  }

  updating(from, to, change, skip, skipChildren) {
    if (from.nodeType !== Node.ELEMENT_NODE) return;
    // What belongs to the browser, as the model in space does.
    if (from.dataset.own !== undefined && from.dataset.model === to.dataset.model) return skip();
    if (from.classList.contains("drawing")) {
      from.innerHTML = to.innerHTML;
      skipChildren();
    }
    if (!isField(from)) return;
    this.typed = from === document.activeElement && isTyped(from) ? from : null;
    this.work.entries.theirs(from, to, change.revision);
  }

  updated(from) {
    if (from.nodeType !== Node.ELEMENT_NODE || !isField(from)) return;
    if (from.matches("select")) {
      // The options are taken over next.
      queueMicrotask(() => {
        const chosen = [...from.options].find((o) => o.defaultSelected);
        if (chosen && !this.work.entries.isKept(from)) from.value = chosen.value;
      });
    } else if (from !== this.typed && !this.work.entries.isKept(from))
      if (from.value !== from.defaultValue) from.value = from.defaultValue;
  }

  /** Puts the cursor into a field once the ledger that has it is there. */
  focusOn(path) {
    const field = document.getElementById(`f${path.replaceAll("/", "-")}`);
    if (!field) return;
    this.focus = null;
    field.focus();
    field.scrollIntoView({ block: "center" });
  }
}
