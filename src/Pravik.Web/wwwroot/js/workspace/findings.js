// Findings with their repairs, and finding parts and values by name.
export const findings = {
  get findingWords() {
    const n = this.findings.length;
    return n === 0 ? "no findings" : n === 1 ? "1 finding" : `${n} findings`;
  },

  get findingClass() {
    return this.findings.some((f) => f.severity === "error") ? "bad" : this.findings.length ? "some" : "";
  },

  repairWords: (f) => f.repair?.label ?? "",
  repair(f) {
    const patch = f.repair.patch.map((o) => ({ ...o, value: JSON.parse(o.value) }));
    return this.afterEdit(this.api.patch(this.revision, patch, f.repair.label));
  },

  openFinding(f) {
    this.drawer = "";
    if (f.path.startsWith("/parts/results/")) return this.openResult(f.path);
    const places = Object.keys(this.places).filter((start) => f.path.startsWith(start));
    const step = this.places[places.sort((x, y) => y.length - x.length)[0]];
    if (f.station !== null) this.choice.station = f.station;
    this.focusPath = f.path;
    return this.go(step ?? "basis");
  },

  async find() {
    const text = this.findText;
    const answer = text.trim() ? await this.api.find(text) : { ok: true, data: [] };
    if (answer.ok && text === this.findText) this.found = answer.data;
  },

  openFirst() {
    if (this.found.length > 0) this.openPlace(this.found[0]);
  },

  async openPlace(place) {
    this.closeFind();
    this.focusPath = place.path;
    await this.go(place.step);
    if (place.pick) this.pick(place.pick);
  },

  closeFind() {
    this.findText = "";
    this.found = [];
  },
};
