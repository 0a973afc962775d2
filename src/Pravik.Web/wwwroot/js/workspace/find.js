// The box that finds parts and values by name.

export const findBox = (work) => ({
  text: "",
  found: [],
  at: 0,
  get isOpen() {
    return this.found.length > 0;
  },
  init() {
    work.find = this;
  },
  async seek() {
    const { text } = this;
    const answer = text.trim() ? await work.api.find(text) : { ok: true, data: [] };
    if (!answer.ok || text !== this.text) return;
    this.found = answer.data;
    this.at = 0;
  },
  move(by) {
    const n = this.found.length;
    if (n > 0) this.at = (this.at + by + n) % n;
  },
  openChosen() {
    if (this.found[this.at]) this.open(this.found[this.at]);
  },
  async open(place) {
    this.close();
    await work.go(place.step, {}, place.path);
    if (place.pick) work.pick(place.pick);
  },
  close() {
    this.text = "";
    this.found = [];
  },
});
