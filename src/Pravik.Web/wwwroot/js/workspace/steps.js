// Steps, layouts, the station, and what is picked.
export const steps = {
  stepUrl(id) {
    return `/bridges/${this.project}/${id}`;
  },

  get bridgeUrl() {
    return `${this.api?.base ?? ""}/bridge.json`;
  },

  get roadFileUrl() {
    return `/bridges/${this.project}/road-file`;
  },

  get setOutUrl() {
    return `/bridges/${this.project}/set-out`;
  },

  get roadXmlUrl() {
    return `${this.api?.base ?? ""}/road.xml`;
  },

  quantitiesUrl(format) {
    return `${this.api?.base ?? ""}/quantities.${format}`;
  },

  sheetUrl(format) {
    return `${this.api?.base ?? ""}/general-arrangement.${format}`;
  },

  stepClass(s) {
    return `${s.state} ${s.id === this.step ? "on" : ""}`;
  },

  go(id) {
    if (this.drawing) this.stopDrawing();
    if (id !== this.step && id !== "checks") this.choice.pick = null;
    if (this.playing) this.play();
    this.filterText = "";
    this.step = id;
    this.sort = null;
    history.pushState(null, "", this.stepUrl(id));
    return this.load();
  },

  neighbourStep(by) {
    const at = this.steps.findIndex((s) => s.id === this.step);
    const next = this.steps[at + by];
    if (next) this.go(next.id);
  },

  layout(id) {
    if (this.drawing) this.stopDrawing();
    this.choice.layout[this.step] = id;
    this.load();
  },

  setStation(station) {
    this.choice.station = station;
    this.later();
  },

  nudge(by) {
    const length = this.axes.at(-1) - this.axes[0];
    this.setStation(this.station + (by * length) / 200);
  },

  axis(by) {
    const tiny = 1e-6;
    const next =
      by > 0
        ? this.axes.find((s) => s > this.station + tiny)
        : this.axes.findLast((s) => s < this.station - tiny);
    if (next !== undefined) this.setStation(next);
  },

  // With Shift or Ctrl a girder is picked together with those that are.
  pick(part, event) {
    if (!part || this.measuring) return;
    if (this.drawing) this.stopDrawing();
    if (event && (event.shiftKey || event.ctrlKey || event.metaKey) && this.step === "girders") {
      const girders = (this.choice.pick ?? "").split("+").filter((p) => p.startsWith("/parts/girders/"));
      if (part.startsWith("/parts/girders/")) {
        const others = girders.filter((p) => p !== part);
        part = (others.length < girders.length ? others : [...girders, part]).join("+") || null;
        this.choice.pick = part;
        return this.load();
      }
    }
    if (part.startsWith("/parts/results/")) return this.openResult(part);
    if (part.startsWith("/parts/girders/") && this.step !== "girders") {
      this.choice.pick = part;
      this.step = "girders";
      history.pushState(null, "", this.stepUrl("girders"));
    } else if (["/deck/", "/parapets/", "/parts/units/"].some((start) => part.startsWith(start))) {
      this.choice.pick = part;
      this.focusPicked = true;
      if (this.step !== "deck") {
        this.step = "deck";
        history.pushState(null, "", this.stepUrl("deck"));
      }
    } else this.choice.pick = part;
    this.load();
  },

  openResult(part) {
    const row = this.table.rows.find((r) => r.pick?.startsWith(part));
    const at = row?.sort?.[2];
    if (this.step !== "analysis") {
      this.choice.pick = part;
      if (this.step !== "checks") {
        this.step = "checks";
        history.pushState(null, "", this.stepUrl("checks"));
      }
    }
    if (at !== undefined && at !== null) this.choice.station = at;
    this.load();
  },
};
