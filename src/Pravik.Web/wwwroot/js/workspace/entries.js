// The ledger: what is typed, what is given back, and what buttons do.
export const entries = {
  isTyped: (r) => ["quantity", "text", "spans"].includes(r.entry),
  fieldId: (r) => (r.path ? `f${r.path.replaceAll("/", "-")}` : null),
  rowClass(r) {
    return `${r.entry} ${r.isInherited ? "inherited" : ""} ${this.reasons[r.path] ? "refused" : ""}`;
  },

  textOf(r) {
    return this.drafts[r.path] ?? r.value;
  },

  reasonOf(r) {
    return this.reasons[r.path] ?? "";
  },

  reasonsIn(g) {
    return g.columns.length === 0 ? [] : g.rows.map((r) => this.reasons[r.path]).filter(Boolean);
  },

  rowsOf(g) {
    const rows = [];
    for (let i = 0; i < g.rows.length; i += g.columns.length)
      rows.push(g.rows.slice(i, i + g.columns.length));
    return rows;
  },

  draft(r, text) {
    this.drafts[r.path] = text;
  },

  drop(r, field) {
    delete this.drafts[r.path];
    delete this.reasons[r.path];
    field.value = r.value;
  },

  async commit(r, field) {
    const text = field.value;
    if (text === r.value || this.committing === r.path + text) {
      if (text === r.value) this.drop(r, field);
      return;
    }
    this.committing = r.path + text;
    const answer = await this.api.enter(this.revision, r.path, text);
    this.committing = null;
    if (answer.ok) {
      delete this.drafts[r.path];
      delete this.reasons[r.path];
      this.revision = answer.data.revision;
      await this.load();
      if (document.activeElement !== field && field.isConnected)
        field.value = this.valueAt(r.path) ?? field.value;
      return;
    }
    this.drafts[r.path] = text;
    this.reasons[r.path] = this.explain(answer, r.path);
    if (r.entry === "choice") this.load();
  },

  valueAt(path) {
    for (const g of this.groups) for (const r of g.rows) if (r.path === path) return r.value;
    return null;
  },

  explain(answer, path) {
    if (answer.status === 0) return "The program cannot be reached; the value is kept here, not saved.";
    if (answer.status === 409) {
      const c = answer.data.conflicts[0];
      this.later();
      return `Somebody else changed this meanwhile: now ${c.theirs}, yours ${c.yours}. Enter it again to replace theirs.`;
    }
    const findings = answer.data?.findings ?? [];
    const own = findings.filter((f) => f.path === path);
    return (own.length > 0 ? own : findings).map((f) => f.message).join(" ") || "This could not be taken.";
  },

  giveBack(r) {
    delete this.drafts[r.path];
    return this.afterEdit(this.api.enter(this.revision, r.path, ""));
  },

  wordsOf: (a) => a?.words ?? "",
  act(a) {
    if (a.goes) return this.go(a.goes);
    if (a.saves) return this.keep(a.saves);
    if (a.asksNeighbour) return this.addNeighbour();
    return this.afterEdit(this.api.patch(this.revision, a.patch, a.label));
  },

  /** Begins another bridge on the same road and goes there. */
  async addNeighbour() {
    const answer = await this.api.addNeighbour(`${this.name}, next on the road`);
    if (answer.ok) window.location.assign(`/bridges/${answer.data.id}/axes`);
    else this.notice = this.explain(answer, "");
  },

  isLink: (r) => r.entry === "reading" && Boolean(r.picks || r.opens),
  isReading: (r) => r.entry === "reading" && !r.picks && !r.opens,
  follow(r) {
    if (r.opens) window.location.assign(r.opens);
    else if (r.picks) this.pick(r.picks);
  },

  /** Keeps a part of the bridge in the office library. */
  async keep(path) {
    const answer = await this.api.keep(path);
    this.notice = answer.ok ? answer.data.words : this.explain(answer, "");
    this.isGoodNews = answer.ok;
  },

  async afterEdit(call) {
    const answer = await call;
    this.notice = answer.ok ? "" : this.explain(answer, "");
    this.isGoodNews = false;
    if (answer.ok) {
      this.reasons = {};
      this.drafts = {};
    }
    await this.load();
    if (this.drawer === "history") this.loadHistory();
  },

  focusField() {
    const path = this.focusPath;
    this.focusPath = null;
    this.$nextTick(() => {
      const field = document.getElementById(`f${path.replaceAll("/", "-")}`);
      field?.focus();
      field?.scrollIntoView({ block: "center" });
    });
  },
};
