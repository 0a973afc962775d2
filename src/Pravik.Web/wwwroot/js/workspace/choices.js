// What a person chose to see. The address holds it all, so that a link shows a colleague the same.

// Choices that go along from step to step; the others belong to their step and are found there again.
const SHARED = ["station", "girder", "drawer"];

export class Choices {
  constructor(work) {
    this.work = work;
    this.remembered = new Map();
    this.read();
    window.addEventListener("popstate", () => {
      this.read();
      work.page.refresh();
    });
  }

  read() {
    this.step = location.pathname.split("/")[3] || this.work.root.dataset.first;
    this.now = new URLSearchParams(location.search);
    // Where to put the cursor is asked for once.
    this.focus = this.now.get("focus");
    this.now.delete("focus");
  }

  get(name) {
    return this.now.get(name);
  }

  /** Takes choices; empty ones go back to what is usual. */
  set(values) {
    for (const [name, value] of Object.entries(values)) {
      if (value === null || value === undefined || value === "") this.now.delete(name);
      else this.now.set(name, value);
    }
    history.replaceState(null, "", this.address);
  }

  /** Goes to a step, where what was chosen there before is chosen again. */
  go(step, values = {}) {
    this.remembered.set(this.step, new URLSearchParams(this.now));
    const shared = SHARED.filter((n) => this.now.has(n)).map((n) => [n, this.now.get(n)]);
    if (step !== this.step) {
      this.now = new URLSearchParams(this.remembered.get(step) ?? "");
      for (const name of [...SHARED, "pick"]) this.now.delete(name);
      for (const [name, value] of shared) this.now.set(name, value);
    }
    this.step = step;
    history.pushState(null, "", this.address);
    this.set(values);
  }

  get address() {
    const query = this.now.toString();
    return `${this.work.root.dataset.root}/${this.step}${query ? `?${query}` : ""}`;
  }
}
