// What is running, and the units of whoever looks.
export const runs = {
  get runStatus() {
    return this.run.isPlain ? `${this.run.status} plain` : this.run.status;
  },

  get runWords() {
    return this.run.words;
  },

  get runHelp() {
    return this.run.help;
  },

  get runBar() {
    return `width:${["running", "waiting"].includes(this.run.status) ? this.run.fraction * 100 : 0}%`;
  },

  get canStop() {
    return this.run.status === "running";
  },

  get canStart() {
    return ["stopped", "failed"].includes(this.run.status);
  },

  stopRun() {
    this.api.stop();
  },

  startRun() {
    this.api.run();
  },

  switchUnits() {
    const name = this.units.startsWith("m") ? "us" : "metric";
    document.cookie = `pravik-units=${name}; path=/; max-age=31536000; samesite=lax`;
    this.drafts = {};
    this.reasons = {};
    this.load();
  },
};
