// Back, forward, and the points of the history.
export const history = {
  undo() {
    if (this.canUndo) this.afterEdit(this.api.undo());
  },

  redo() {
    if (this.canRedo) this.afterEdit(this.api.redo());
  },

  goTo(revision) {
    this.afterEdit(this.api.goTo(revision));
  },

  toggle(name) {
    this.drawer = this.drawer === name ? "" : name;
    if (this.drawer === "history") this.loadHistory();
  },

  async loadHistory() {
    const answer = await this.api.history();
    if (answer.ok) this.history = answer.data;
  },

  async namePoint() {
    const answer = await this.api.name(this.revision, this.pointName);
    if (answer.ok) this.pointName = "";
    this.loadHistory();
  },

  compareUrl(h) {
    return `/bridges/${this.project}/compare?before=${h.revision}&after=${this.revision}`;
  },

  compareWords: (h) => `Compare edit ${h.revision} with the present one`,
  timeOf: (h) => new Date(h.at.endsWith("Z") ? h.at : `${h.at}Z`).toLocaleTimeString(),
};
