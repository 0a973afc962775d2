// What is typed: sent one after the other, kept where it is refused or the server cannot be reached, and told where somebody else
// changed the same value.

export class Entries {
  constructor(work) {
    this.work = work;
    this.key = `pravik-entries-${work.project}`;
    // Entries on their way, oldest first; they outlive a page that is loaded anew.
    this.waiting = JSON.parse(sessionStorage.getItem(this.key) ?? "[]");
    // What was refused, by path: the text and the reason.
    this.refused = new Map();
    // The edit on which what is being typed stands, by path.
    this.bases = new Map();
    this.own = new Set();
    document.addEventListener("input", ({ target }) => {
      const { path } = target.dataset;
      if (path && !this.bases.has(path)) this.bases.set(path, work.page.revision);
    });
    document.addEventListener("change", ({ target }) => target.dataset.path && this.commit(target));
    document.addEventListener("keydown", (event) => {
      if (!event.target.dataset?.path) return;
      if (event.key === "Enter") this.commit(event.target);
      else if (event.key === "Escape") this.drop(event.target);
    });
    window.addEventListener("beforeunload", (event) => {
      if (this.waiting.length > 0 && work.saved.isLost) event.preventDefault();
    });
    window.addEventListener("online", () => this.sendAgain());
    if (this.waiting.length > 0) queueMicrotask(() => this.send());
  }

  /** Whether a field holds something of its own that the page must leave. */
  isKept(field) {
    const { path } = field.dataset;
    return this.refused.has(path) || this.waiting.some((e) => e.path === path);
  }

  drop(field) {
    const { path } = field.dataset;
    this.refused.delete(path);
    this.bases.delete(path);
    if (field.matches("select")) field.value = [...field.options].find((o) => o.defaultSelected)?.value ?? "";
    else field.value = field.defaultValue;
    this.mark();
  }

  commit(field) {
    const { path } = field.dataset;
    const text = field.value;
    const shown = field.matches("select")
      ? [...field.options].find((o) => o.defaultSelected)?.value
      : field.defaultValue;
    const last = this.waiting.findLast((e) => e.path === path);
    if (last ? last.text === text : text === shown) {
      if (!last) this.drop(field);
      return;
    }
    // Enter and leaving the field come one after the other: what was refused is not sent again as it is.
    if (this.refused.get(path)?.text === text && !this.refused.get(path).again) return;
    this.refused.delete(path);
    this.put({ path, text, base: this.bases.get(path) ?? this.work.page.revision });
  }

  put(entry) {
    this.work.endPreview();
    this.bases.delete(entry.path);
    this.waiting.push(entry);
    this.keep();
    this.send();
  }

  keep() {
    if (this.waiting.length > 0) sessionStorage.setItem(this.key, JSON.stringify(this.waiting));
    else sessionStorage.removeItem(this.key);
    this.work.saved.show();
  }

  sendAgain() {
    if (this.waiting.length > 0) this.send();
  }

  send() {
    this.sending ??= this.sendAll().finally(() => (this.sending = null));
    return this.sending;
  }

  async sendAll() {
    const { work } = this;
    while (this.waiting.length > 0) {
      const entry = this.waiting[0];
      const answer = await work.api.enter(entry.base, entry.path, entry.text);
      if (answer.status === 0) {
        work.saved.lost();
        // The page asks until the server answers; then this goes on.
        work.page.refresh();
        return;
      }
      this.waiting.shift();
      work.saved.begin();
      if (answer.ok) this.taken(entry, answer.data.revision);
      else this.refuse(entry, answer);
      this.keep();
      this.mark();
      await work.page.refresh().finally(() => work.saved.end());
    }
  }

  taken(entry, revision) {
    this.own.add(revision);
    this.refused.delete(entry.path);
    const field = this.fieldOf(entry.path);
    // What has been typed since stands on this edit.
    if (this.bases.has(entry.path)) this.bases.set(entry.path, revision);
    if (field?.matches("input") && field.value === entry.text) field.defaultValue = entry.text;
  }

  refuse(entry, answer) {
    const conflict = answer.status === 409;
    this.refused.set(entry.path, { text: entry.text, words: explain(answer, entry.path), again: conflict });
  }

  fieldOf(path) {
    return document.getElementById(`f${path.replaceAll("/", "-")}`);
  }

  /** Somebody else changed the value that is being typed: whoever types is told. */
  theirs(field, to, revision) {
    const { path } = field.dataset;
    if (!path || path !== to.dataset.path || this.own.has(revision) || !field.matches("input")) return;
    const [now, was] = [to.getAttribute("value") ?? "", field.defaultValue];
    if (field !== document.activeElement || field.value === was || now === was || now === field.value) return;
    const words = `Somebody else changed this meanwhile, from ${was} to ${now}. Enter puts yours in its place, Esc takes theirs.`;
    this.refused.set(path, { text: field.value, words, again: true });
    this.bases.set(path, revision);
  }

  /** Shows what was refused or waits in its fields, with the reasons. */
  mark() {
    for (const why of document.querySelectorAll(".ledger .why")) {
      const path = why.id.slice(1, -4);
      const field = document.getElementById(`f${path}`);
      const reason = this.refused.get(field?.dataset.path);
      if (why.textContent !== (reason?.words ?? "")) why.textContent = reason?.words ?? "";
      field?.setAttribute("aria-invalid", reason ? "true" : "false");
      field?.closest(".row1")?.classList.toggle("refused", Boolean(reason));
    }
    for (const { path, text } of [
      ...[...this.refused].map(([path, r]) => ({ path, ...r })),
      ...this.waiting,
    ]) {
      const field = this.fieldOf(path);
      if (field && field !== document.activeElement && field.value !== text) field.value = text;
    }
  }

  /** Forgets what was refused: the values that it was about may be others now. */
  forget() {
    this.refused.clear();
    this.bases.clear();
  }

  /** Sends an edit that is no typed value, after those that are on their way: each stands on what is shown after the one before. */
  edit(call) {
    const after = Promise.allSettled([this.sending, this.editing]);
    this.editing = after.then(() => this.editNow(call));
    return this.editing;
  }

  async editNow(call) {
    const { work } = this;
    work.endPreview();
    work.saved.begin();
    const answer = await call(work.page.revision);
    if (answer.ok) {
      this.forget();
      if (answer.data?.revision) this.own.add(answer.data.revision);
      work.notice.clear();
    } else work.notice.tell(explain(answer, ""));
    // Saved is said with the edit that it made.
    await work.page.refresh().finally(() => work.saved.end());
    return answer;
  }
}

/** Why an edit was not taken, in words. */
export function explain(answer, path) {
  if (answer.status === 0) return "The server gives no answer: nothing was changed. Try again in a moment.";
  if (answer.status === 409) {
    const { theirs, yours } = answer.data.conflicts[0];
    return `Somebody else changed this meanwhile: now ${theirs}, yours ${yours}. Enter it again to replace theirs.`;
  }
  const findings = answer.data?.findings ?? [];
  const own = findings.filter((f) => f.path === path);
  return (own.length > 0 ? own : findings).map((f) => f.message).join(" ") || "This could not be taken.";
}
